import type { LearnedStep, LearnedTime } from '@tug-mark/core';
import { EMPTY_FLOOR, shopFloorSchema } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { floorParts, secondsRows } from './floor-parts';
import { emptyHours, floorForm, floorOf } from './floor-form';
import { FloorRows } from './floor-rows';
import { LearnedTimes } from './learned-times';

const PEOPLE = [
  { value: '00000000-0000-4000-8000-000000000001', label: 'Odile' },
  { value: '00000000-0000-4000-8000-000000000002', label: 'Bram' },
];
const [odile] = PEOPLE.map(({ value }) => value);
const floor = shopFloorSchema.parse({
  benches: [],
  hours: [
    { person: odile, days: [1, 2], from: '06:00', to: '14:30', breaks: [] },
    { person: odile, days: [6], from: '08:00', to: '12:00', breaks: [] },
  ],
});

describe('Rows of a floor', () => {
  let bench: Bench<FloorRows>;
  const form = () => floorForm(floor);
  const open = async (of = form()) => {
    const groups = floorParts(of, PEOPLE, [], '2026-11-26').flatMap((part) => part.groups);
    bench = await Bench.open(FloorRows, { inputs: { group: groups.find(({ name }) => name === 'hours') } });
    return of;
  };
  afterEach(() => {
    bench.close();
  });

  it('name every field, so that it is found by its label and read out', async () => {
    await open();
    const fields = [...bench.element.querySelectorAll('input[id]')].filter(({ id }) => id.startsWith('hours-'));
    expect(fields.length).toBeGreaterThanOrEqual(6);
    for (const { id } of fields)
      expect(bench.element.querySelector(`label[for="${id}"]`))
        .withContext(id)
        .not.toBeNull();
    const groups = [...bench.element.querySelectorAll('[role=group]')].map((one) => one.getAttribute('aria-label'));
    expect(groups).toEqual(['Days of shift 1', 'Days of shift 2']);
  });

  it('take away the row that was meant, and keep what was typed in the others', async () => {
    const of = await open();
    await bench.type('hours-from-1', '9.15');
    bench.element.querySelector<HTMLButtonElement>('[aria-label="Take away shift 1"]')?.click();
    await bench.settle();
    expect(of.getRawValue().hours.map(({ days, from }) => [days, from])).toEqual([[[6], '9.15']]);
  });

  it('begin a new one with a week of early shifts, of nobody yet', async () => {
    const of = await open();
    await bench.press('Another shift');
    expect(of.getRawValue().hours[2]).toEqual({
      ...{ person: '', days: [1, 2, 3, 4, 5], from: '06:00', to: '14:30', breaks: '' },
    });
    expect(bench.element.querySelectorAll('.row').length).toBe(3);
  });

  it('ask for every control there is: nothing of a row can only be kept as it was', () => {
    const whole = floorForm(
      shopFloorSchema.parse({
        benches: [{ id: 'B1', label: 'Bench 1' }],
        hours: [{ person: odile, days: [1], from: '06:00', to: '14:30' }],
        away: [{ person: odile, from: '2026-11-26T06:00', to: '2026-11-26T10:00' }],
        extra: [{ person: odile, day: '2026-11-28', from: '08:00', to: '12:00' }],
        closed: [{ day: '2026-12-24' }],
        pieceSeconds: [{ family: 'lug', means: 'powered', seconds: 75 }],
      }),
    );
    const groups = [...floorParts(whole, [], [], '2026-11-26').flatMap((part) => part.groups), secondsRows(whole)];
    expect(groups.length).toBe(6);
    for (const { name, rows, columns } of groups)
      expect(columns.map((column) => column.name).sort())
        .withContext(name)
        .toEqual(Object.keys(rows.at(0).controls).sort());
    bench = { close: () => undefined } as Bench<FloorRows>;
  });

  it('tell a day, a span and its breaks as they are typed by hand', async () => {
    const of = floorForm(EMPTY_FLOOR);
    of.controls.hours.push(emptyHours());
    await open(of);
    await bench.type('hours-from-0', '22.00');
    await bench.type('hours-to-0', '6.00');
    await bench.type('hours-breaks-0', '1:00-1:30, 4.00-4.15');
    const { hours } = floorOf(of, EMPTY_FLOOR) as { hours: { from: string; to: string; breaks: unknown }[] };
    expect(hours[0]?.from).toBe('22:00');
    expect(hours[0]?.to).toBe('06:00');
    expect(hours[0]?.breaks).toEqual([
      { from: '01:00', to: '01:30' },
      { from: '04:00', to: '04:15' },
    ]);
  });
});

describe('What was learned', () => {
  let bench: Bench<LearnedTimes>;
  const piece: LearnedTime = {
    ...{ family: 'lug', means: 'hand', seconds: 118.4, spread: 9.6, pieces: 240, stretches: 12, isEnough: true },
  };
  const step = (changes: Partial<LearnedStep>): LearnedStep => ({
    ...{ family: 'lug', means: 'hand', step: 'set-up', minutes: 9.25, spread: 1, times: 4, isEnough: true },
    ...changes,
  });
  const rows = () =>
    [...bench.element.querySelectorAll('tbody tr')].map((row) =>
      [...row.querySelectorAll('th, td')].map((cell) => (cell.textContent ?? '').trim()),
    );
  const open = async (learned: LearnedTime[], steps: LearnedStep[]) => {
    bench = await Bench.open(LearnedTimes, { inputs: { learned, steps } });
  };
  afterEach(() => {
    bench.close();
  });

  it('stands by family and means, each step with its median, spread and the number it rests on', async () => {
    await open(
      [piece],
      [step({ step: 'check', minutes: 0.4, spread: 0.05, times: 30 }), step({}), step({ means: 'powered', times: 1 })],
    );
    expect(rows().map((row) => row.slice(1, 5))).toEqual([
      ['hand', 'one piece', '118.4 s', '± 9.6'],
      ['hand', 'set-up and samples', '9.3 min', '± 1.0'],
      ['hand', 'check of a piece', '24.0 s', '± 3.0'],
      ['powered', 'set-up and samples', '9.3 min', '± 1.0'],
    ]);
    expect(bench.text).toContain('what it took before that is in the seconds of the pieces');
    expect(rows().map((row) => row[5])).toEqual(['240 pieces', '4 times', '30 times', 'once']);
  });

  it('says what a plan goes by where it is not this, and why', async () => {
    const release = step({ step: 'release', minutes: 35, isEnough: false });
    await open([{ ...piece, pieces: 12, isEnough: false }], [step({ times: 2, isEnough: false }), release]);
    expect(rows().map((row) => row[6])).toEqual([
      'the shop’s own number, until there are 30 pieces in 3 stretches',
      'the shop’s own number, until it was done 3 times',
      'the shop’s own number, and the hours of quality: how long it waited is in this one',
    ]);
  });

  it('says so where nothing was made yet', async () => {
    await open([], []);
    expect(bench.text).toContain('Nothing yet: times are learned from lots as they are made.');
    expect(bench.element.querySelector('table')).toBeNull();
  });
});
