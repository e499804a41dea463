import { z } from 'zod';
import {
  choiceField,
  countField,
  countOrNone,
  flagField,
  idField,
  labelField,
  lengthField,
  lengthOrNone,
  listField,
  partField,
  quantityField,
  rangeField,
  rowsField,
  sheetField,
  temperatureField,
  textField,
  type Noun,
} from '../part';
import { nominalArea, sizeField } from '../wire';
import {
  FAMILIES,
  RELEASES,
  SEAMS,
  SHAPES,
  SLEEVE_COLOURS,
  SLIDE_ON_KINDS,
  STRANDING_CLASSES,
  STRIP_RULES,
  TERMINAL_MATERIALS,
} from './kinds';

/* Fields with a default came later than the first files: those are read as if they said so. */

/** A closed range; canonical units, lower end first. */
export interface Range {
  readonly min: number;
  readonly max: number;
}

/** Dimensions the sheet may leave out are null: what rests on them is then not given, and said so. */
const barrelSchema = z
  .strictObject({
    seam: choiceField('seam', SEAMS),
    stripRule: choiceField('strip rule', STRIP_RULES),
    /** Strip length the sheet itself gives, and its tolerance, plus or minus, mm; it wins over the computed one. Null where it gives none. */
    sheetStrip: z
      .strictObject({ length: lengthField('strip length'), tolerance: lengthField('strip tolerance') })
      .nullable()
      .default(null),
    /** Length of the conductor barrel (or conductor grip), mm. */
    length: lengthField('barrel length').nullable(),
    innerDiameter: lengthField('inner diameter').nullable(),
    outerDiameter: lengthField('outer diameter').nullable(),
    /** Depth from the barrel's mouth to the stop or well bottom, mm; null where there is none. */
    depth: lengthField('depth to stop').nullable(),
    /** The inspection window or hole, mm from the barrel's mouth; null where there is none. */
    inspection: rangeField('inspection hole').nullable(),
    /** Distance between the conductor grip and the insulation grip, mm; null where there is one grip only. */
    betweenGrips: lengthField('between grips').nullable(),
    /** Length of the insulation grip or the sleeve behind the barrel, mm; 0 where there is none. */
    supportLength: lengthOrNone('support length', { help: '0 where there is none' }),
    /** By how much the barrel grows longer in the crimp, mm. */
    growth: lengthOrNone('growth in the crimp').default(0),
  })
  .refine(
    (b) => b.innerDiameter === null || b.outerDiameter === null || b.innerDiameter < b.outerDiameter,
    'the inner diameter has to be below the outer one',
  )
  .refine((b) => b.stripRule !== 'stop' || b.depth !== null || b.length !== null, 'a stop needs its depth')
  .refine((b) => b.stripRule !== 'window' || b.betweenGrips !== null, 'two grips need the distance between them');
export type Barrel = Noun<typeof barrelSchema>;

/** A part that has to be on the wire before the crimp. */
const slideOnSchema = z.strictObject({
  part: partField(),
  label: labelField(),
  kind: choiceField('kind', SLIDE_ON_KINDS).default('sleeve'),
  /** Outer or inner sizes are in the part's own sheet; here only the length it covers, mm. */
  length: lengthField('length'),
  /** Which way round it goes on, as an instruction, e.g. 'ribs towards the wire'; null where both ways are alike. */
  wayRound: textField('way round').nullable().default(null),
  /** Whether the joint is still seen through it. */
  clear: flagField('clear').default(false),
});
export type SlideOnItem = Noun<typeof slideOnSchema>;

/** Crimp height, and where the sheet gives it the width, for one wire size, mm. */
const crimpHeightSchema = z.strictObject({
  size: sizeField('size'),
  height: lengthField('height'),
  /** Plus or minus, mm. */
  tolerance: lengthField('tolerance'),
  width: lengthField('width').nullable().default(null),
  widthTolerance: lengthField('width tolerance').nullable().default(null),
});
export type CrimpHeight = Noun<typeof crimpHeightSchema>;

/** What is measured after the crimp with a die of one index, and across which of its faces. */
const dieDimensionSchema = z
  .strictObject({
    index: idField('die index'),
    across: textField('across', { help: 'which faces, as the sheet draws them' }),
    from: lengthField('from'),
    to: lengthField('to'),
  })
  .refine(({ from, to }) => from <= to, 'is backwards: the smaller end comes first');
export type DieDimension = Noun<typeof dieDimensionSchema>;

const sizeRange = (smallest: string, largest: string) =>
  z
    .strictObject({ smallest: sizeField(smallest), largest: sizeField(largest) })
    .refine(
      (r) => nominalArea(r.smallest) <= nominalArea(r.largest) + 1e-9,
      'is backwards: the smaller conductor comes first',
    );

const described = z
  .strictObject({
    part: partField(),
    label: labelField(),
    maker: textField('maker'),
    family: choiceField('family', FAMILIES),
    shape: choiceField('shape', SHAPES).default('ring'),
    material: choiceField('material', TERMINAL_MATERIALS),
    /** Stud hole or mating size as text, e.g. 'M4'; null for splices. */
    stud: textField('stud or mating size').nullable(),
    /** Diameter of the stud hole, mm; null without one. */
    studHole: lengthField('stud hole').nullable(),
    /** Its widest place, over which what is slid on would have to go, mm; null where no sheet says. */
    widest: lengthField('widest place').nullable().default(null),
    /** What is stamped on the terminal; null when nothing is. */
    stamp: textField('stamp', { help: 'what is stamped on it' }).nullable().default(null),
    sleeve: choiceField('sleeve colour', SLEEVE_COLOURS).nullable(),
    /** Conductor range as printed on the terminal or its sheet: smallest and largest conductor. */
    conductorRange: sizeRange('smallest conductor', 'largest conductor'),
    /** The range printed on the other scale beside it; null where the sheet has one alone. A wire is compared on its own scale. */
    otherRange: sizeRange('smallest, other scale', 'largest, other scale')
      .refine((r) => r.smallest.scale === r.largest.scale, 'names two scales')
      .nullable()
      .default(null),
    /** Most wires that may share the barrel. */
    mostWires: countField('most wires', 20).default(1),
    /** Whether the sheet allows a thin conductor to be folded back to double its area. */
    foldBack: flagField('fold back allowed').default(false),
    /** Stranding classes the sheet names; empty: any. */
    strandingClasses: listField('stranding classes', z.enum(STRANDING_CLASSES)).default([]),
    /** Insulation diameters the support or sleeve takes, mm; null where it does not touch the insulation. */
    insulationRange: rangeField('insulation').nullable(),
    /** Insulation diameters the wire seal takes, mm; null without one. */
    sealRange: rangeField('seal').nullable().default(null),
    barrel: barrelSchema,
    /** Longest brush the stud or mating area leaves room for, mm. */
    brushMax: lengthOrNone('longest brush'),
    /** Whether the clamp it goes into needs the wire end cut flush after the crimp. */
    trimFlush: flagField('trim flush').default(false),
    acceptsSolid: flagField('accepts solid'),
    sealed: flagField('sealed'),
    /** Highest temperature of the terminal with its sleeve, degC. */
    temperature: temperatureField(),
    /** Most current the contact family carries, A, and its voltage, V; null where the sheet is silent. */
    current: quantityField('current', 'A').nullable().default(null),
    voltage: quantityField('voltage', 'V').nullable().default(null),
    /** Bites the sheet asks for, on each barrel; null where the sheet is silent. */
    bites: countField('bites', 6).nullable(),
    /** Where the sheet itself wants them, mm from the barrel's mouth, in the order of making; empty where it leaves that to be computed. */
    sheetBites: rowsField(
      'bite band',
      z
        .strictObject({ from: lengthOrNone('from'), to: lengthField('to') })
        .refine(({ from, to }) => from < to, 'is backwards: it begins at the barrel’s mouth'),
    ).default([]),
    /** Index number of the die the lug is made with; null for all others. */
    dieIndex: idField('die index').nullable().default(null),
    /** Row of a selector table a machined contact belongs to; null for all others. */
    barrelSize: idField('barrel size').nullable().default(null),
    /** Temperature range for shrinking the sealing sleeve, degC; null without one. */
    sealingHeat: rangeField('sealing heat', '°C').nullable(),
    /** What the heater is set to so that the sleeve reaches it, degC; null where no sheet says. */
    heaterSetting: quantityField('heater setting', '°C').nullable().default(null),
    /** How a contact goes into its cavity and out again; null for all that have none. */
    cavity: z
      .strictObject({
        release: choiceField('cavity release', RELEASES),
        insertionTool: textField('insertion tool').nullable(),
        removalTool: textField('removal tool').nullable(),
        secondaryLock: flagField('secondary lock'),
        /** How often one contact may be taken out of a cavity and go in again; 0: never, null: its sheet is silent. */
        mostRemovals: countOrNone('most removals', 99).nullable().default(null),
      })
      .nullable()
      .default(null),
    /** How it goes onto its counterpart; null for all that is not plugged. */
    mating: z
      .strictObject({
        counterpart: textField('mates with', { help: 'the counterpart its sheet names' }),
        insertion: quantityField('insertion most', 'N').nullable(),
        withdrawal: quantityField('withdrawal least', 'N').nullable(),
        /** Its sheet asks for contact grease. */
        grease: flagField('grease'),
      })
      .nullable()
      .default(null),
    sheet: sheetField(),
    slideOn: rowsField('slide on', slideOnSchema),
    crimpHeights: rowsField('crimp height', crimpHeightSchema).default([]),
    /** What is measured after the crimp with a die of each index, mm; empty where the sheet gives none. */
    dieDimensions: rowsField('die dimension', dieDimensionSchema).default([]),
    /** Whether the sheet allows the barrel to be formed in several strokes, nest after nest. */
    formingStrokes: flagField('forming strokes').default(false),
  })
  .refine(
    ({ conductorRange, otherRange }) =>
      otherRange === null || otherRange.smallest.scale !== conductorRange.smallest.scale,
    { error: 'is on the same scale as the first range', path: ['otherRange'] },
  )
  .refine(({ bites, sheetBites }) => bites === null || !sheetBites.length || bites === sheetBites.length, {
    error: 'are not as many as the bite bands',
    path: ['bites'],
  });
export type Terminal = Noun<typeof described>;
export const terminalSchema: z.ZodType<Terminal> = described;
