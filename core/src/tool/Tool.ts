import { z } from 'zod';
import {
  choiceField,
  countField,
  countOrNone,
  dateField,
  flagField,
  idField,
  labelField,
  lengthField,
  listField,
  partField,
  partId,
  quantityField,
  quantityOrNone,
  rangeField,
  rowsField,
  sheetField,
  textField,
  type Noun,
} from '../part';
import { NEST_PROFILES } from '../terminal';
import { sizeField } from '../wire';
import { COVERS, type DONE_TO_TOOLS, GRIPS, PUNCHES, TOOL_KINDS } from './kinds';

/* Fields with a default came later than the first files: those are read as if they said so. */

const gaugeSchema = z
  .strictObject({
    go: lengthField('gauge go'),
    noGo: lengthField('gauge no-go'),
    /** The selector setting to take first; null where there is none. */
    setting: idField('gauge setting').nullable(),
  })
  .refine((g) => g.go < g.noGo, 'the go pin has to be thinner than the no-go pin')
  .nullable()
  .default(null);

const nestSchema = z.strictObject({
  id: idField('id', { help: 'as the tool calls it' }),
  label: labelField({ help: 'with its colour or number, as somebody finds it' }),
  profile: choiceField('profile', NEST_PROFILES),
  /** Conductor areas it makes, mm2. */
  area: rangeField('area', 'mm²'),
  /** Width of the die along the barrel, mm. */
  width: lengthField('width', { help: 'along the barrel' }),
  /** Mark it leaves on the piece, in words. */
  mark: textField('mark', { help: 'what it leaves on the piece' }),
  /** Index number of a lug die; null for all others. */
  index: idField('index', { help: 'of a lug die' }).nullable().default(null),
  /** Whether one stroke makes the insulation grip too. */
  grips: choiceField('grips', GRIPS).default('both'),
  /** Which half carries the punch; null where the sheet is silent, and then the operator has to look. */
  punch: choiceField('punch half', PUNCHES).nullable().default(null),
  /** What it is made to press on; empty where the sheet is silent. */
  presses: listField('presses on', z.enum(COVERS)).default([]),
  /** Pins of its own, mm; null where the tool's gauge serves it. */
  gauge: gaugeSchema,
  /** Terminals the tool's sheet lists for this nest. */
  terminals: listField('terminals', partId, { help: 'their numbers, each after a semicolon' }),
});
export type Nest = Noun<typeof nestSchema>;

const dieSchema = z.strictObject({
  id: idField('die', { name: 'die' }),
  label: labelField({ title: 'die label', name: 'dieLabel' }),
  mounted: flagField('mounted', { name: 'mounted' }),
  nests: rowsField('nest', nestSchema).min(1, 'has no nest'),
});
export type Die = Noun<typeof dieSchema>;

/** What holds the terminal at the right depth. */
const positionerSchema = z.strictObject({
  id: idField('id'),
  label: labelField(),
  mounted: flagField('mounted'),
  /** Whether its depth is set by a screw. */
  adjustable: flagField('adjustable'),
  /** Depth to set, mm from the face; null for a fixed one. */
  depth: lengthField('depth').nullable(),
  /** How far one turn of its adjuster moves it, mm; null where nobody says. */
  perTurn: lengthField('per turn').nullable().default(null),
  terminals: listField('terminals', partId),
});
export type Positioner = Noun<typeof positionerSchema>;

/** One tool of the shop with everything that can be mounted in it. */
const described = z.strictObject({
  part: partField(),
  label: labelField(),
  kind: choiceField('kind', TOOL_KINDS),
  /** Where it stands; null when it is carried about. */
  station: textField('station').nullable().default(null),
  /** Sign that its cycle is complete, in its sheet's words; null: the usual one of its kind. */
  cycleEnd: textField('end of cycle', { help: 'the sign that it is complete' }).nullable().default(null),
  /** How a cycle is broken off; null where the sheet names no way. */
  release: textField('release', { help: 'how a cycle is broken off' }).nullable().default(null),
  /** What is done when a piece sticks in it, in its sheet's words; null: opened wholly, drawn straight out. */
  whenStuck: textField('when it sticks', { help: 'how a piece comes out' }).nullable().default(null),
  /** Whether a part stroke can hold the terminal without pressing it. */
  partStroke: flagField('part stroke holds').default(false),
  /** Hours a go/no-go check stays good. */
  checkHours: quantityField('check every', 'h'),
  /** Cycles after which a check is due whatever the clock says; null without such a rule. */
  checkCycles: countField('check every cycles').nullable().default(null),
  /** Pins for the check of nests without any of their own, mm; null where a sample is used. */
  gauge: gaugeSchema,
  /** Last day of the calibration, ISO date. */
  calibrationUntil: dateField('calibration until'),
  cycles: countOrNone('cycles'),
  cycleLimit: countField('cycle limit'),
  sheet: sheetField(),
  /** How far one step of the height adjustment moves the ram, mm; null where the tool has none. */
  heightStep: lengthField('height step').nullable().default(null),
  /** Minutes it takes to change a die, a positioner, a setting. */
  changeMinutes: z
    .strictObject({
      die: quantityOrNone('die change', 'min'),
      positioner: quantityOrNone('positioner change', 'min'),
      setting: quantityOrNone('setting change', 'min'),
    })
    .default({ die: 6, positioner: 2, setting: 1 }),
  dies: rowsField('die', dieSchema).min(1, 'has no die'),
  /** Settings of a four-indent tool by barrel size and wire size. */
  selector: rowsField(
    'selector',
    z.strictObject({ barrelSize: idField('barrel size'), size: sizeField('size'), setting: idField('setting') }),
  ).default([]),
  positioners: rowsField('positioner', positionerSchema).default([]),
  /** Positions of the insulation grip by insulation diameter. */
  insulationPositions: rowsField(
    'insulation grip',
    z.strictObject({ label: labelField(), diameters: rangeField('diameter') }),
  ).default([]),
});
export type Tool = Noun<typeof described>;
export const toolSchema: z.ZodType<Tool> = described;

/** One go/no-go check of a tool. `at` is an ISO instant. */
export interface ToolCheck {
  readonly tool: string;
  /** The die that was mounted; null for a check from before checks named it, which speaks for the tool as it stood. */
  readonly die: string | null;
  /** The nest, where it has pins of its own; null for all nests of the die that have none. */
  readonly nest: string | null;
  readonly at: string;
  readonly goPassed: boolean;
  readonly noGoStopped: boolean;
  readonly by: string;
  /** The selector setting the gauge was tried at; null where the tool has none. */
  readonly setting: string | null;
  /** Cycles on the counter at the check; null when not read. */
  readonly cycles: number | null;
}

/** Quality puts a tool that failed its check back into use, once somebody has said what was done to it. */
export interface ToolReturn {
  readonly tool: string;
  readonly at: string;
  readonly done: (typeof DONE_TO_TOOLS)[number];
  /** What was done in words, and by whom. */
  readonly note: string;
  readonly by: string;
}
