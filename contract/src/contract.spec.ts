import { FAMILIES, type Terminal, terminalSchema, toolSchema, wireSchema } from '@tug-mark/core';
import { entryBodySchema, fromFormerNames, may, newEntrySchema, recordSchema, roleFor, ROLES, whoMay } from './index';

const range = { min: 1, max: 2 };
/** As files of the first version wrote it: fields that came later take their defaults. */
const terminal = {
  part: 'T',
  label: 'ring',
  maker: 'Larkspur Stampings',
  family: 'bare-ring',
  material: 'copper',
  barrel: {
    seam: 'butted',
    stripRule: 'barrel',
    length: 6,
    innerDiameter: 1.7,
    outerDiameter: 3.3,
    depth: null,
    inspection: null,
    betweenGrips: null,
    supportLength: 0,
  },
  conductorRange: { smallest: { scale: 'mm2', value: 0.5 }, largest: { scale: 'mm2', value: 1 } },
  insulationRange: range,
  stud: 'M4',
  studHole: 4.3,
  sleeve: null,
  brushMax: 3,
  acceptsSolid: false,
  sealed: false,
  temperature: 105,
  bites: 1,
  slideOn: [],
  sealingHeat: null,
};
const faults = (value: unknown) => {
  const read = terminalSchema.safeParse(fromFormerNames(value));
  return read.success ? [] : read.error.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`);
};
const barrel = (changes: Partial<Terminal['barrel']>) => ({ ...terminal, barrel: { ...terminal.barrel, ...changes } });

describe('A terminal in a shop file', () => {
  it('is taken in every family this version knows, and in no other', () => {
    for (const family of FAMILIES) expect(faults({ ...terminal, family })).toEqual([]);
    expect(faults({ ...terminal, family: 'compression-lug' })[0]).toContain('family: ');
  });

  it('is refused at the field when its numbers contradict each other', () => {
    expect(faults({ ...terminal, insulationRange: { min: 3, max: 2 } })).toEqual([
      'insulationRange: is backwards: the smaller end comes first',
    ]);
    expect(faults(barrel({ innerDiameter: 4 }))).toEqual(['barrel: the inner diameter has to be below the outer one']);
    expect(faults(barrel({ stripRule: 'stop', length: null }))).toEqual(['barrel: a stop needs its depth']);
    expect(faults(barrel({ stripRule: 'window' }))).toEqual(['barrel: two grips need the distance between them']);
    expect(faults(barrel({ length: 0 }))).toEqual(['barrel.length: has to be above 0']);
    expect(faults({ ...terminal, colour: 'red' })[0]).toContain('colour');
  });
});

describe('A wire and a tool in a shop file', () => {
  it('are refused when a solid conductor has strands, a size is no size, or a tool has nothing to crimp with', () => {
    const conductor = {
      size: { scale: 'mm2', value: 0.75 },
      kind: 'solid',
      material: 'copper',
      strands: 7,
      strandDiameter: 0.2,
      lay: 'bunched',
    };
    const wire = { part: 'W', label: 'w', conductor, insulationDiameter: 2, insulation: 'PVC', temperature: 90 };
    expect(wireSchema.safeParse(wire).error?.issues[0]?.message).toBe('a solid conductor has one strand');
    const nothing = { ...wire, conductor: { ...conductor, kind: 'stranded', size: { scale: 'mm2', value: 0 } } };
    expect(wireSchema.safeParse(nothing).error?.issues[0]?.message).toBe('has to be above 0 mm²');
    const tool = {
      part: 'HT',
      label: 'HT',
      kind: 'plier',
      checkHours: 12,
      calibrationUntil: '2030-02-30',
      cycles: 0,
      cycleLimit: 10,
      dies: [],
    };
    expect(toolSchema.safeParse(tool).error?.issues.map((issue) => issue.path.join('.'))).toEqual([
      'calibrationUntil',
      'dies',
    ]);
  });
});

describe('An entry on its way to the server', () => {
  const reading = {
    kind: 'reading',
    piece: 1,
    force: 118.4,
    typed: '118.4',
    unit: 'N',
    mode: 'slid-out',
    note: '',
    confirmed: [],
  };
  const id = '0192f0c1-2d3e-7abc-8def-0123456789ab';

  it('is taken as it is, with no field more', () => {
    expect(newEntrySchema.safeParse({ id, body: reading, corrects: null, why: null }).success).toBeTrue();
    expect(newEntrySchema.safeParse({ id, body: reading, corrects: null, why: null, by: 'Ines' }).success).toBeFalse();
    expect(entryBodySchema.safeParse({ ...reading, colour: 'red' }).success).toBeFalse();
  });

  it('is refused with a force, piece, mode or kind that cannot be', () => {
    for (const change of [
      { force: 0 },
      { force: -5 },
      { force: Number.NaN },
      { force: Infinity },
      { piece: 0 },
      { piece: 1.5 },
      { mode: 'vanished' },
      { kind: 'guess' },
    ]) {
      expect(entryBodySchema.safeParse({ ...reading, ...change }).success)
        .withContext(JSON.stringify(change))
        .toBeFalse();
    }
  });

  it('tells of a section whether it is scratched, and no more than is known of one', () => {
    const figures = { metal: 0.8, voids: 0.03, compression: 0.85, height: 1.3, width: 1.6, left: 0.5, strands: 0 };
    const section = (own: object) => ({
      ...{ kind: 'section', piece: 1, photo: '00000000-0000-4000-8000-000000000001', pxPerMm: 400 },
      ...{ figures: { ...figures, ...own }, mended: [], note: '' },
    });
    expect(entryBodySchema.safeParse(section({})).success).toBeTrue();
    expect(entryBodySchema.safeParse(section({ isScratched: true })).success).toBeTrue();
    expect(entryBodySchema.safeParse(section({ isScratched: 'a little' })).success).toBeFalse();
    expect(entryBodySchema.safeParse(section({ isBent: true })).success).toBeFalse();
  });
});

describe('A record of another version', () => {
  it('is not read as this one', () => {
    expect(
      recordSchema
        .safeParse({ format: 'tug-mark/record', version: 3 })
        .error?.issues.some((issue) => issue.path[0] === 'version'),
    ).toBeTrue();
  });
});

describe('The roles', () => {
  it('leave releasing and ruling to quality alone', () => {
    expect(ROLES.filter((role) => may([role], 'release-limits'))).toEqual(['quality']);
    expect(ROLES.filter((role) => may([role], 'rule'))).toEqual(['quality']);
    expect(whoMay('import-wire-list')).toBe('technician or engineer');
    expect(may(undefined, 'record')).toBeFalse();
  });

  it('of a person who holds several are acted in by what is done', () => {
    const all = ['engineer', 'quality', 'technician'] as const;
    expect(roleFor(all, 'record')).toBe('technician');
    expect(roleFor(all, 'release-set-up')).toBe('quality');
    expect(roleFor(all, 'manage-people')).toBe('engineer');
    expect(roleFor(['quality'], 'record')).toBe('quality');
  });
});
