import { learnSteps, learnTimes, random, type LotTimes, type MadeAt, type StepTaken } from '../../index';

const START = Date.parse('2026-11-26T06:00:00.000Z');
const at = (minutes: number) => new Date(START + minutes * 60_000).toISOString();
const clockMinutes = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 60_000;
const ofCheck = () => 1.5;
const lot = (marks: readonly MadeAt[], changes: Partial<LotTimes> = {}): LotTimes => ({
  ...{ family: 'bare-terminal', means: 'hand', worked: clockMinutes, marks },
  ...changes,
});

/** A lot made by somebody who takes `seconds` a piece, give or take, and checks every so many. */
function made(
  seconds: number,
  spread: number,
  pieces: number,
  every: number,
  seed: number,
  pauseAfter = Infinity,
): LotTimes {
  const next = random(seed);
  const marks: MadeAt[] = [{ at: at(0), made: 0, isCheck: false }];
  let minute = 0;
  let paused: [number, number] | null = null;
  for (let piece = 1; piece <= pieces; piece++) {
    // The sum of twelve is about normal, and never far off.
    const noise = Array.from({ length: 12 }, () => next()).reduce((sum, one) => sum + one, -6);
    minute += Math.max(0.2 * seconds, seconds + spread * noise) / 60;
    if (piece % every === 0 || piece === pieces) {
      minute += 1.5;
      marks.push({ at: at(minute), made: piece, isCheck: true });
    }
    if (piece === pauseAfter) {
      paused = [minute, minute + 45];
      minute += 45;
    }
  }
  const worked = (from: string, to: string) => {
    const [a, b] = [from, to].map((one) => (Date.parse(one) - START) / 60_000) as [number, number];
    const pause = paused ? Math.max(0, Math.min(b, paused[1]) - Math.max(a, paused[0])) : 0;
    return b - a - pause;
  };
  return lot(marks, { worked });
}

describe('Times learned', () => {
  it('are the seconds between two counts, without the checks', () => {
    // 40 pieces in 21.5 min with one check of 1.5: 20 min, 30 s a piece.
    const marks = [
      { at: at(0), made: 0, isCheck: false },
      { at: at(21.5), made: 40, isCheck: true },
      { at: at(43), made: 80, isCheck: true },
      { at: at(64.5), made: 120, isCheck: true },
    ];
    expect(learnTimes([lot(marks)], ofCheck)).toEqual([
      { family: 'bare-terminal', means: 'hand', seconds: 30, spread: 0, pieces: 120, stretches: 3, isEnough: true },
    ]);
  });

  it('come within a twentieth of what simulated people take, whatever they check and however they vary', () => {
    for (const seconds of [12, 30, 90])
      for (const every of [10, 25, 60]) {
        const lots = [1, 2, 3, 4].map((seed) => made(seconds, seconds * 0.3, 240, every, seed + every));
        const [learned] = learnTimes(lots, ofCheck);
        expect(Math.abs((learned?.seconds ?? 0) / seconds - 1))
          .withContext(`${seconds} s, every ${every}: ${learned?.seconds}`)
          .toBeLessThan(0.05);
        expect(learned?.pieces).toBe(960);
      }
  });

  it('do not count a pause, and one slow stretch does not move the median', () => {
    const [learned] = learnTimes([made(30, 0, 200, 20, 1, 90)], ofCheck);
    expect(learned?.seconds).toBeCloseTo(30, 6);
    const marks = [0, 10, 20, 90, 100, 110].map((minute, i) => ({ at: at(minute), made: i * 20, isCheck: false }));
    expect(learnTimes([lot(marks)], ofCheck)[0]?.seconds).toBe(30);
  });

  it('say nothing of pieces that were written down afterwards, all in one minute', () => {
    const marks = [0, 0, 0.5].map((minute, i) => ({ at: at(minute), made: i * 50, isCheck: true }));
    expect(learnTimes([lot(marks)], ofCheck)).toEqual([]);
  });

  it('are not planned by before there are 30 pieces in 3 stretches', () => {
    const marks = [0, 10, 20].map((minute, i) => ({ at: at(minute), made: i * 20, isCheck: false }));
    expect(learnTimes([lot(marks)], ofCheck)[0]?.isEnough).toBeFalse();
    const four = [0, 4, 8, 12].map((minute, i) => ({ at: at(minute), made: i * 9, isCheck: false }));
    expect(learnTimes([lot(four)], ofCheck)[0]?.isEnough).toBeFalse();
  });

  it('go by the newest 2,000 pieces: somebody who got quicker is planned as quick as they are now', () => {
    const old = Array.from({ length: 11 }, (_, i) => ({ at: at(i * 250), made: i * 500, isCheck: false }));
    const now = Array.from({ length: 6 }, (_, i) => ({ at: at(5000 + i * 100), made: i * 500, isCheck: false }));
    const [learned] = learnTimes([lot(old), lot(now)], ofCheck);
    expect([learned?.seconds, learned?.pieces]).toEqual([12, 2000]);
  });

  it('keep steps by family and means, three at least, and say nothing of what was written down afterwards', () => {
    const of = (minutes: number, changes: Partial<StepTaken> = {}): StepTaken => ({
      ...{ family: 'lug', means: 'powered', step: 'set-up', minutes },
      ...changes,
    });
    const setUp = { family: 'lug', means: 'powered', step: 'set-up' } as const;
    expect(learnSteps([9, 12, 30].map((minutes) => of(minutes)))).toEqual([
      { ...setUp, minutes: 12, spread: 10.5, times: 3, isEnough: true },
    ]);
    expect(learnSteps([of(9), of(0), of(-3)])).toEqual([
      { ...setUp, minutes: 9, spread: 0, times: 1, isEnough: false },
    ]);
    // By hand and by the press are two things, and so are checks.
    const all = learnSteps([of(9), of(20, { means: 'hand' }), of(1, { step: 'check' })]);
    expect(all.map(({ means, step, minutes }) => [means, step, minutes])).toEqual([
      ['powered', 'set-up', 9],
      ['hand', 'set-up', 20],
      ['powered', 'check', 1],
    ]);
  });

  it('go by the newest thirty of a step', () => {
    const of = (minutes: number): StepTaken => ({ family: 'lug', means: 'hand', step: 'check', minutes });
    const taken = [...Array.from({ length: 50 }, () => of(9)), ...Array.from({ length: 30 }, () => of(2))];
    expect(learnSteps(taken)[0]).toEqual(jasmine.objectContaining({ minutes: 2, times: 30 }));
  });

  it('show how long releases took, and never plan by it: that they waited is in it', () => {
    const taken = [30, 40, 50].map((minutes): StepTaken => ({
      family: 'lug',
      means: 'hand',
      step: 'release',
      minutes,
    }));
    expect(learnSteps(taken)[0]).toEqual(jasmine.objectContaining({ minutes: 40, times: 3, isEnough: false }));
  });

  it('take from a stretch what checks of its own family take', () => {
    // 21.5 min with one check: of 1.5 min it leaves 30 s a piece, of 11.5 min it leaves 15.
    const marks = [0, 21.5, 43, 64.5].map((minute, i) => ({ at: at(minute), made: i * 40, isCheck: i > 0 }));
    const lots = [lot(marks), lot(marks, { family: 'lug' })];
    const learned = learnTimes(lots, (family) => (family === 'lug' ? 11.5 : 1.5));
    expect(learned.map(({ family, seconds }) => [family, seconds])).toEqual([
      ['bare-terminal', 30],
      ['lug', 15],
    ]);
  });
});
