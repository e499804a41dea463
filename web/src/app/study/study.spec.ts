import type { StudyLine, StudyResults } from '@tug-mark/contract';
import { Bench, kept, TOOL_TAKEN, viewOf } from '../testing/bench';
import { StudiesPage } from './studies-page';
import { StudyPage } from './study-page';

const PHOTO = '01890000-0000-7000-8000-000000000001';
const LINE: StudyLine = {
  id: 's1',
  name: 'Trial',
  combination: 'c1',
  terminal: 'RB',
  wire: 'W',
  items: 2,
  by: 'Ines',
  at: new Date().toISOString(),
  closedAt: null,
  people: [{ person: 'Odile', answers: 3 }],
};

describe('A study', () => {
  it('is answered by keys: good, or the point a piece is bad at', async () => {
    const given: unknown[] = [];
    const view = viewOf();
    const turn = {
      line: LINE,
      round: 1,
      item: 0,
      answered: 0,
      shows: { kind: 'photo', combination: 'c1', photo: PHOTO },
      setUp: { ...view, entries: [] },
    };
    const bench = await Bench.open(StudyPage, {
      inputs: { id: 's1' },
      api: {
        studyTurn: () => Promise.resolve(turn),
        answerStudy: (_: string, answer: unknown) => {
          given.push(answer);
          return Promise.resolve({ ...turn, answered: given.length });
        },
      },
    });
    await bench.settle();
    expect(bench.headline).toBe('Round 1: is this piece good?');
    await bench.key('1');
    await bench.key('2');
    expect(bench.text).toContain('At which point?');
    await bench.key('1');
    expect(given).toEqual([
      jasmine.objectContaining({ answer: 'accept', point: null }),
      jasmine.objectContaining({ answer: 'reject', point: 'tongue' }),
    ]);
    bench.close();
  });

  it('shows misses apart from false alarms, and the points behind them, once it is closed', async () => {
    const kappa = (value: number | null) => ({ kappa: value, from: value, to: value, agreement: 0.9, n: 4 });
    const results: StudyResults = {
      line: { ...LINE, closedAt: new Date().toISOString() },
      result: {
        inspectors: [
          {
            person: 'Tove',
            answers: 4,
            key: kappa(0.5),
            self: kappa(1),
            misses: 2,
            bad: 2,
            alarms: 0,
            good: 2,
            wrongPoint: 0,
          },
        ],
        together: null,
        pairs: [],
        points: [{ point: 'brush', misses: 2, alarms: 0, shown: 2 }],
      },
    };
    const turn = { line: results.line, round: null, item: null, answered: 4, shows: null, setUp: viewOf() };
    const bench = await Bench.open(StudyPage, {
      inputs: { id: 's1' },
      api: { studyTurn: () => Promise.resolve(turn), studyResults: () => Promise.resolve(results) },
    });
    await bench.settle();
    expect(bench.text).toContain('Tove2 of 2 bad0 of 2 good');
    expect(bench.text).toContain('2 of 2 times shown');
    expect(bench.text).toContain('no kappa of all together');
    expect(bench.has('Good')).toBeFalse();
    bench.close();
  });
});

describe('The studies', () => {
  it('say who has answered how much, and are set by quality alone', async () => {
    const api = { studies: () => Promise.resolve([LINE]) };
    let bench = await Bench.open(StudiesPage, { role: 'technician', api });
    await bench.settle();
    expect(bench.text).toContain('Odile 3 of 4');
    expect(bench.has('Begin a study')).toBeFalse();
    bench.close();
    bench = await Bench.open(StudiesPage, { role: 'quality', api });
    await bench.settle();
    expect(bench.has('Begin a study')).toBeTrue();
    expect(bench.has('Close Trial')).toBeTrue();
    bench.close();
  });

  it('take up photographs of the combination, with the answer somebody knows', async () => {
    const photo = (id: string, shows: 'from the side' | 'section') =>
      kept({ kind: 'photo', piece: 2, photo: { id, digest: '0'.repeat(64) }, shows, note: '' });
    const begun: unknown[] = [];
    const bench = await Bench.open(StudiesPage, {
      role: 'quality',
      api: {
        studies: () => Promise.resolve([]),
        combinations: () =>
          Promise.resolve({ lines: [{ id: 'c1', terminalLabel: 'Ring', wireLabel: 'Wire', list: 'L', stages: [] }] }),
        combination: () =>
          Promise.resolve(
            viewOf({ entries: [TOOL_TAKEN(), photo(PHOTO, 'from the side'), photo(`${PHOTO}-cut`, 'section')] }),
          ),
        beginStudy: (study: unknown) => {
          begun.push(study);
          return Promise.resolve(LINE);
        },
      },
    });
    await bench.press('Begin a study');
    await bench.settle();
    const photos = bench.element.querySelectorAll('tm-select input[id^=photo-]');
    expect(photos.length).withContext('a cut is nothing to judge by eye').toBe(1);
    const points = await bench.offers(`photo-${PHOTO}`);
    expect(points).toContain('bad: way round');
    expect(points.join()).withContext('a bare ring has no insulation grip').not.toContain('insulation');
    await bench.choose(`photo-${PHOTO}`, 'bad: wire past');
    await bench.type('study-name', 'Real ones');
    await bench.type('study-count', '5');
    await bench.submit();
    expect(begun).toEqual([
      jasmine.objectContaining({
        name: 'Real ones',
        drawn: 5,
        photos: [{ photo: PHOTO, key: 'reject', point: 'brush' }],
      }),
    ]);
    expect(bench.wentTo?.[0]).toBe('/shop/studies');
    bench.close();
  });
});
