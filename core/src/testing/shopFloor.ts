import { computeSetUp } from '../combination';
import {
  EMPTY_FLOOR,
  ownSeconds,
  type FloorPerson,
  type ListToMake,
  type ShopFloor,
  type ShopSource,
  type ToMake,
} from '../plan';
import type { Family } from '../terminal';
import { familyContext } from './families';
import { NOW } from './shop';

/* A floor of two benches and three people, and what a plan of it is made from. */

export const ODILE = '00000000-0000-4000-8000-000000000001';
export const BRAM = '00000000-0000-4000-8000-000000000002';
export const INES = '00000000-0000-4000-8000-000000000003';
export const NAMES: ReadonlyMap<string, string> = new Map([
  [ODILE, 'Odile'],
  [BRAM, 'Bram'],
  [INES, 'Ines'],
]);
export const ZONE = 'Europe/Berlin';
/** Wednesday, 06:00 in Berlin. */
export const START = '2026-11-25T05:00:00.000Z';
/** Six to half past two on working days, with a break at nine. */
export const early = {
  days: [1, 2, 3, 4, 5],
  from: '06:00',
  to: '14:30',
  breaks: [{ from: '09:00', to: '09:15' }],
};

export const floorOf = (changes: Partial<ShopFloor> = {}): ShopFloor => ({
  ...EMPTY_FLOOR,
  benches: [
    { id: 'B1', label: 'Bench 1', places: ['bench 1'], heater: null, stripper: null },
    { id: 'B2', label: 'Bench 2', places: [], heater: { warmUp: 8, coldAfter: 40 }, stripper: null },
  ],
  hours: [ODILE, BRAM, INES].map((person) => ({ person, ...early })),
  ...changes,
});
export const person = (id: string, name: string, changes: Partial<FloorPerson> = {}): FloorPerson => ({
  ...{ id, name, makes: true, releases: false, qualifiedUntil: null, qualifications: null },
  ...changes,
});
/** 40 pieces of a family, of which nothing is proved yet. */
export const toMake = (family: Family, changes: Partial<ToMake> = {}): ToMake => {
  const context = familyContext(family);
  return {
    ...{ combination: family, list: 'Loom', terminal: context.terminal, wires: [context.wire] },
    setUp: computeSetUp(context, [], NOW),
    ...{ released: null, pieces: 40, samples: 5, everyPieces: null, held: null },
    ...changes,
  };
};
export const listOf = (changes: Partial<ListToMake> = {}): ListToMake => ({
  ...{ name: 'Loom', due: '2026-11-25', weight: 1, isCut: true, wires: 40, connectors: [], order: [] },
  ...changes,
});
/** Three days in which Odile makes 40 bare rings and Ines releases them. */
export const source = (changes: Partial<ShopSource> = {}): ShopSource => ({
  ...{ start: START, zone: ZONE, days: 3, floor: floorOf() },
  people: [person(ODILE, 'Odile'), person(INES, 'Ines', { makes: false, releases: true })],
  ...{ tools: familyContext('bare-terminal').tools, standing: [] },
  lists: [listOf()],
  toMake: [toMake('bare-terminal')],
  timeOf: (family, means) => ({ seconds: ownSeconds(EMPTY_FLOOR, family, means), pieces: 0 }),
  ...{ stepTime: () => null, supplyOf: () => null },
  ...changes,
});
