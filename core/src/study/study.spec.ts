import { computeSetUp } from '../combination';
import { isGood, judgePiece, criteria, PLAIN_SHEET, startingRows } from '../look';
import { cohenKappa, fleissKappa } from '../statistics';
import { familyContext } from '../testing/families';
import { NOW } from '../testing/shop';
import { badPoint, drawnItems, drawnPiece, judgeStudy, orderFor, type StudyAnswer, type StudyItem } from './index';

const sheet = { ...PLAIN_SHEET, rows: startingRows() };
const context = computeSetUp(familyContext('bare-terminal'), [], NOW).look;

describe('Kappa', () => {
  // The textbook table of two readers: yes/yes 20, yes/no 5, no/yes 10, no/no 15: po 0.7, pe 0.5, kappa 0.4
  const pairs = [
    ...Array.from({ length: 20 }, () => ['yes', 'yes'] as const),
    ...Array.from({ length: 5 }, () => ['yes', 'no'] as const),
    ...Array.from({ length: 10 }, () => ['no', 'yes'] as const),
    ...Array.from({ length: 15 }, () => ['no', 'no'] as const),
  ];

  it('of two readers is what the textbook gives, with its interval', () => {
    const { kappa, from, to, agreement } = cohenKappa(pairs);
    expect(agreement).toBeCloseTo(0.7, 9);
    expect(kappa).toBeCloseTo(0.4, 9);
    // standard error by the formula of 1969, worked by hand: 0.1268
    expect(from).toBeCloseTo(0.4 - 1.96 * 0.1268, 2);
    expect(to).toBeCloseTo(0.4 + 1.96 * 0.1268, 2);
  });

  it('is 1 for those who always agree, none where there was nothing to tell apart', () => {
    expect(
      cohenKappa([
        ['a', 'a'],
        ['b', 'b'],
      ]).kappa,
    ).toBe(1);
    expect(
      cohenKappa([
        ['a', 'a'],
        ['a', 'a'],
      ]).kappa,
    ).toBeNull();
    expect(cohenKappa([]).kappa).toBeNull();
  });

  // Ten items, fourteen raters, five answers (Fleiss 1971's worked example): kappa 0.210
  it('of many readers is what Fleiss’ own example gives', () => {
    const counts = [
      [0, 0, 0, 0, 14],
      [0, 2, 6, 4, 2],
      [0, 0, 3, 5, 6],
      [0, 3, 9, 2, 0],
      [2, 2, 8, 1, 1],
      [7, 7, 0, 0, 0],
      [3, 2, 6, 3, 0],
      [2, 5, 3, 2, 2],
      [6, 5, 2, 1, 0],
      [0, 2, 2, 3, 7],
    ];
    const items = counts.map((row) => row.flatMap((n, answer) => Array.from({ length: n }, () => String(answer))));
    const { kappa, from, to } = fleissKappa(items);
    expect(kappa).toBeCloseTo(0.21, 2);
    expect(from).toBeLessThan(0.21);
    expect(to).toBeGreaterThan(0.21);
  });
});

describe('A study of inspectors', () => {
  if (!context) throw new Error('no set-up');
  const look = context;

  it('shows good and bad pieces whose key is what a perfect inspector finds', () => {
    const items = drawnItems(look, sheet, 40, 5);
    expect(items.filter((i) => i.key === 'accept').length).toBeGreaterThan(7);
    expect(items.filter((i) => i.key === 'reject').length).toBeGreaterThan(15);
    for (const item of items) {
      if (item.kind !== 'drawn') continue;
      const found = [...judgePiece(look, criteria(look, sheet), drawnPiece(look, sheet, item)).values()];
      expect(found.every(isGood)).toBe(item.key === 'accept');
    }
    expect(drawnItems(look, sheet, 40, 5)).toEqual(items);
  });

  it('gives each person another order each time, and keeps it when the page is loaded again', () => {
    const order = orderFor(20, 3, 'Odile', 1);
    expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i));
    expect(orderFor(20, 3, 'Odile', 1)).toEqual(order);
    expect(orderFor(20, 3, 'Odile', 2)).not.toEqual(order);
    expect(orderFor(20, 3, 'Ines', 1)).not.toEqual(order);
  });

  it('counts misses and false alarms apart and names the points behind them', () => {
    const items: StudyItem[] = [
      { kind: 'drawn', fault: null, degree: 'wrong', key: 'accept' },
      { kind: 'drawn', fault: 'upside-down', degree: 'wrong', key: 'reject' },
      { kind: 'drawn', fault: 'gap-long', degree: 'wrong', key: 'reject' },
    ];
    const say = (person: string, round: number, ...said: (string | null)[]): StudyAnswer[] =>
      said.map((point, item) => ({
        person,
        round,
        item,
        answer: point ? 'reject' : 'accept',
        point: point as 'seam' | null,
      }));
    const answers = [
      ...say('Ines', 1, null, 'seam', 'gap'),
      ...say('Ines', 2, null, 'seam', 'gap'),
      ...say('Odile', 1, 'barrel', null, 'gap'),
      ...say('Odile', 2, null, null, 'brush'),
    ];
    const { inspectors, together, points } = judgeStudy(items, answers);
    const [ines, odile] = inspectors;
    expect(ines?.key.kappa).toBe(1);
    expect([odile?.misses, odile?.bad, odile?.alarms, odile?.good, odile?.wrongPoint]).toEqual([2, 4, 1, 2, 1]);
    expect(odile?.key.kappa).toBeLessThan(0.5);
    expect(together?.n).toBe(3);
    expect(points[0]).toEqual({ point: 'seam', misses: 2, alarms: 0, shown: 4 });
    expect(points[1]).toEqual({ point: 'barrel', misses: 0, alarms: 1, shown: 0 });
    expect(items.map(badPoint)).toEqual([null, 'seam', 'gap']);
  });
});
