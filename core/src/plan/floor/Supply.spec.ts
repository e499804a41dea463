import { isOverdue, Supply } from './Supply';

const TODAY = '2026-11-25';

describe('The drawer while work is given out', () => {
  const none = () => 0;
  const supply = (have: number, ...expected: { arrives: string; amount: number }[]) =>
    new Supply(() => ({ have, expected }), TODAY);

  it('gives all that is asked where nobody has counted', () => {
    expect(new Supply(() => null, TODAY).take('R-1', 40, 5, 0, none)).toEqual({
      portions: [{ pieces: 40, arrives: null }],
      short: null,
      notes: [],
    });
  });

  it('counts samples once, rework in whole pieces, and what a lot loses to its checks', () => {
    // 40 and a tenth again are 44; 5 samples; 3 pulls: 52.
    expect(supply(52).take('R-1', 40, 5, 0.1, () => 3).short).toBeNull();
    expect(supply(51).take('R-1', 40, 5, 0.1, () => 3).portions).toEqual([{ pieces: 39, arrives: null }]);
  });

  it('takes what comes in its turn, and lets the next job find none of it', () => {
    const drawer = supply(20, { arrives: '2026-11-26T10:00', amount: 30 }, { arrives: '2026-11-27T10:00', amount: 4 });
    expect(drawer.take('R-1', 40, 5, 0, none)).toEqual({
      portions: [
        { pieces: 15, arrives: null },
        { pieces: 25, arrives: '2026-11-26T10:00' },
      ],
      short: null,
      notes: ['25 wait for R-1, which arrives 2026-11-26 10:00.'],
    });
    // Five of the first delivery are left, and no sooner there than it; then four more. Two of them are samples.
    expect(drawer.take('R-1', 7, 2, 0, none).portions).toEqual([
      { pieces: 3, arrives: '2026-11-26T10:00' },
      { pieces: 4, arrives: '2026-11-27T10:00' },
    ]);
    expect(drawer.take('R-1', 1, 0, 0, none)).toEqual({
      portions: [],
      short:
        '1 of 1 cannot be made: 1 of R-1 are missing and none are on their way. Order them, or count the drawer again.',
      notes: [],
    });
  });

  it('plans nothing on what should have come by now and is not on record, and says what to do', () => {
    const late = { arrives: '2026-11-24T10:00', amount: 30 };
    const own = { arrives: '2026-11-26T10:00', amount: 10 };
    const drawer = new Supply(() => ({ have: 5, expected: [late, own] }), TODAY);
    expect(drawer.take('R-1', 20, 0, 0, none)).toEqual({
      portions: [
        { pieces: 5, arrives: null },
        { pieces: 10, arrives: own.arrives },
      ],
      short:
        '5 of 20 cannot be made: 5 of R-1 are missing, and 30 that should have come 2026-11-24 10:00 are not on record. Put on record that they came, or call them off and write down when they will.',
      notes: ['10 wait for R-1, which arrives 2026-11-26 10:00.'],
    });
  });

  it('takes what comes today to come at any hour of it', () => {
    const on = (day: string) => isOverdue(`${day}T10:00`, TODAY);
    expect(['2026-11-24', TODAY, '2026-11-26'].map(on)).toEqual([true, false, false]);
  });
});
