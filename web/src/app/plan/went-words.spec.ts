import type { PlanWent } from '@tug-mark/contract';
import { COMBINATION, givenPlan } from '../testing/made-up-plan';
import { tellLate, wentHeadline, wentOf, wentUnder } from './went-words';

/** The rings of the made-up plan, 48 from 06:10 to 06:40, as they stand at a time of the day. */
const at = (time: string, gone: PlanWent['gone'] = []) =>
  wentOf({ plan: givenPlan(), until: `2026-11-26T${time}:00.000Z`, isOver: false, gone });
const rings = (changes: Partial<PlanWent['gone'][number]>) => [
  { combination: COMBINATION, begun: 12, last: 30, made: 0, setUps: 1, ...changes },
];

describe('What a plan came to', () => {
  it('is that nothing is due before the first job is to end', () => {
    expect(wentHeadline(3, at('06:20'))).toBe('Plan 3: nothing of it is due yet.');
    expect(
      wentHeadline(
        3,
        wentOf({ plan: givenPlan({ placed: [] }), until: '2026-11-26T09:00:00.000Z', isOver: true, gone: [] }),
      ),
    ).toBe('Plan 3 has no pieces to be made.');
  });

  it('is what is made of what was due by then, and never more than that', () => {
    expect(wentHeadline(3, at('07:00', rings({ made: 20 })))).toBe('Plan 3: 20 of 48 pieces that were due are made.');
    expect(wentHeadline(3, at('07:00', rings({ made: 60 })))).toBe('Plan 3: all 48 pieces that were due are made.');
  });

  it('tells what nobody began, and by how much the rest began late or sooner', () => {
    expect(wentUnder(at('07:00'))).toBe('1 combination that should be in hand is not begun.');
    expect(wentUnder(at('07:00', rings({ begun: 25, setUps: 2 })))).toBe(
      'Work began 15 min later than planned, in the middle. 0 set-ups planned, a tool was taken 2 times.',
    );
    expect([14.6, -3, 0.2].map(tellLate)).toEqual([
      '15 min later than planned',
      '3 min sooner than planned',
      'when it was planned',
    ]);
  });
});
