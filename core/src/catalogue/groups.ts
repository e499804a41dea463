import type { Family } from '../terminal';
import type { CatalogueKind } from './columns';

/** Fields that are filled in together. */
export interface FieldGroup {
  readonly title: string;
  /** Whether a field or a list belongs to it; the first group that takes it has it. */
  readonly takes: (path: string) => boolean;
  /** Most sheets say nothing of these. */
  readonly isRare?: boolean;
}

const all = () => true;
const of =
  (...paths: readonly string[]) =>
  (path: string) =>
    paths.some((each) => path === each || path.startsWith(`${each}.`));

/** The fields of each kind of part, in the groups they are filled in by. */
export const FIELD_GROUPS: Readonly<Record<CatalogueKind, readonly FieldGroup[]>> = {
  wire: [
    { title: 'Name', takes: of('part', 'label') },
    { title: 'Conductor', takes: of('conductor') },
    { title: 'Insulation', takes: all },
  ],
  terminal: [
    { title: 'Name', takes: of('part', 'label', 'maker', 'family', 'shape', 'stamp') },
    {
      title: 'The wire it takes',
      takes: of('conductorRange', 'insulationRange', 'sealRange', 'mostWires', 'acceptsSolid'),
    },
    { title: 'Barrel and strip', takes: of('barrel', 'brushMax', 'trimFlush') },
    {
      title: 'Where it goes',
      takes: of('stud', 'studHole', 'material', 'sealed', 'temperature', 'sleeve', 'cavity', 'sealingHeat', 'slideOn'),
    },
    { title: 'Only if its sheet says so', takes: all, isRare: true },
  ],
  tool: [
    { title: 'Name', takes: of('part', 'label', 'kind', 'station') },
    {
      title: 'Check and calibration',
      takes: of('checkHours', 'checkCycles', 'gauge', 'calibrationUntil', 'cycles', 'cycleLimit'),
    },
    { title: 'Dies and nests', takes: of('nests') },
    { title: 'Only if its sheet says so', takes: all, isRare: true },
  ],
  stripper: [
    { title: 'Name', takes: of('part', 'label') },
    { title: 'What it can do', takes: all },
  ],
  covering: [
    { title: 'Name', takes: of('part', 'label', 'kind') },
    { title: 'What it passes and grips', takes: all },
  ],
  connector: [
    { title: 'Name', takes: of('part', 'label', 'maker') },
    { title: 'Lock and sheet', takes: of('lock', 'sheet') },
    { title: 'Cavities, seen from the side the wires go in', takes: all },
  ],
};

const CONTACTS: readonly Family[] = ['open-barrel-contact', 'sealed-contact', 'machined-contact', 'signal-contact'];
const TONGUED: readonly Family[] = ['insulated-terminal', 'sealed-sleeve-terminal', 'bare-terminal', 'lug'];
const OPEN: readonly Family[] = ['open-barrel-contact', 'sealed-contact', 'signal-contact', 'open-barrel-splice'];
const HEATED: readonly Family[] = ['sealed-sleeve-terminal', 'butt-splice', 'window-splice', 'open-barrel-splice'];

/** Fields only some families have; all others have every field. */
const ONLY_OF: Readonly<Record<string, readonly Family[]>> = {
  stud: [...TONGUED, ...CONTACTS],
  studHole: TONGUED,
  sleeve: ['insulated-terminal', 'sealed-sleeve-terminal', 'butt-splice', 'ferrule'],
  sealRange: ['sealed-contact'],
  sealingHeat: HEATED,
  heaterSetting: HEATED,
  trimFlush: ['ferrule'],
  dieIndex: ['lug'],
  barrelSize: ['machined-contact'],
  cavity: CONTACTS,
  mating: [...CONTACTS, 'insulated-terminal'],
  formingStrokes: OPEN,
  dieDimensions: ['lug'],
  'barrel.betweenGrips': OPEN,
};

/** Families with nothing behind the barrel: what has a sleeve, a second grip or a collar says its length on its sheet. */
const UNSUPPORTED: readonly Family[] = ['bare-terminal', 'machined-contact', 'lug'];

/** What a new terminal of a family begins with, beside what every terminal does. */
export function familyStart(family: Family): Readonly<Record<string, string>> {
  return { family, 'barrel.supportLength': UNSUPPORTED.includes(family) ? '0' : '' };
}

/** Whether a terminal of a family has such a field at all. */
export function familyHas(family: string, path: string): boolean {
  const only = Object.entries(ONLY_OF).find(([each]) => path === each || path.startsWith(`${each}.`))?.[1];
  return !only || only.includes(family as Family);
}
