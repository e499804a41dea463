import { familyContext } from '../../testing/families';
import { BRAM, early, floorOf, INES, ODILE, person, source } from '../../testing/shopFloor';
import type { Tool } from '../../tool';
import { FloorNow } from './FloorNow';

const [TOOL] = familyContext('bare-terminal').tools;
const at = (station: string | null, kind: Tool['kind'] = 'press'): Tool => ({ ...TOOL, station, kind }) as Tool;
const bare = familyContext('bare-terminal').terminal;
const hot = { ...bare, sealingHeat: { from: 120, to: 160, shrinksTo: null } } as unknown as typeof bare;
const bench = (id: string, places: string[], more: object = {}) => ({
  ...{ id, label: id, places, heater: null, stripper: null },
  ...more,
});
const floorNow = (...benches: ReturnType<typeof bench>[]) =>
  new FloorNow(source({ floor: floorOf(benches.length ? { benches } : {}) }));

describe('The floor as it stands', () => {
  it('knows the bench of a tool by its place, however that is written', () => {
    const floor = floorNow(bench('B1', ['Bench 1', 'shelf A']), bench('B2', ['Press corner']));
    expect(['bench 1', 'SHELF a', 'press Corner'].map((station) => floor.benchOf(at(station)))).toEqual([
      'B1',
      'B1',
      'B2',
    ]);
    expect([floor.benchOf(at('attic')), floor.benchOf(at(null))]).toEqual([null, null]);
  });

  it('lets a press be used where it stands alone, a hand tool anywhere, and one without a place too', () => {
    const floor = floorNow(bench('B1', ['one']), bench('B2', ['two']));
    expect(floor.placesFor(at('two'), bare, null)).toEqual(['B2']);
    expect(floor.placesFor(at('two', 'full-cycle'), bare, null)).toEqual(['B1', 'B2']);
    expect(floor.placesFor(at('two', 'plier'), bare, null)).toEqual(['B1', 'B2']);
    expect(floor.placesFor(at(null), bare, null)).toEqual(['B1', 'B2']);
  });

  it('makes what is shrunk where there is heat, and what is stripped where its stripper is', () => {
    const heater = { warmUp: 8, coldAfter: 40 };
    const floor = floorNow(
      bench('B1', [], { stripper: 'S1' }),
      bench('B2', [], { heater }),
      bench('B3', [], { heater, stripper: 'S1' }),
    );
    expect(floor.placesFor(at(null), hot, null)).toEqual(['B2', 'B3']);
    expect(floor.placesFor(at(null), bare, 'S1')).toEqual(['B1', 'B3']);
    expect(floor.placesFor(at(null), hot, 'S1')).toEqual(['B3']);
    expect([floor.hasStripper('S1'), floor.hasStripper('S2')]).toEqual([true, false]);
  });

  it('knows the longest shift of those who have one, and when quality can have released something', () => {
    const people = [
      person(ODILE, 'Odile'),
      person(BRAM, 'Bram'),
      person(INES, 'Ines', { makes: false, releases: true }),
    ];
    const hours = [
      { person: ODILE, ...early },
      { person: INES, ...early, from: '08:00' },
    ];
    const floor = new FloorNow(source({ people, floor: floorOf({ hours }) }));
    // Half past two less six, less a break of a quarter.
    expect(floor.longestShift([ODILE, BRAM])).toBe(495);
    expect(floor.longestShift([BRAM])).toBe(0);
    // From eight on, and 60 of her minutes before the break at nine; a minute more is behind it.
    expect([1, 60, 61].map((minutes) => floor.soonestRelease(minutes))).toEqual([121, 180, 196]);
    expect(new FloorNow(source({ people: people.slice(0, 2) })).soonestRelease(1)).toBeNull();
  });
});
