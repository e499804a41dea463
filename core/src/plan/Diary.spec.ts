import fc from 'fast-check';
import { early } from '../testing/planWork';
import { Diary } from './Diary';
import { axisOf, hoursOf, type PersonHours } from './hours';
import type { PlanPerson } from './PlanWork';

const upTo = (max: number, min = 0) => fc.integer({ min, max });
/** Two or three short shifts of one person with a break each, while somebody else is there all the time. */
const anyCrew: fc.Arbitrary<PlanPerson[]> = fc
  .array(fc.record({ from: upTo(6), length: upTo(24, 4), pause: upTo(20), away: upTo(4) }), {
    minLength: 1,
    maxLength: 3,
  })
  .map((all) => [
    {
      id: 'Odile',
      label: 'Odile',
      shifts: all.map(({ from, length, pause, away }, i) => ({
        from: 40 * i + from,
        to: 40 * i + from + length,
        breaks: [{ from: 40 * i + from + pause, to: 40 * i + from + pause + away }],
      })),
    },
    { id: 'Bram', label: 'Bram', shifts: [{ from: 0, to: 130, breaks: [] }] },
  ]);
const diaryOf = (crew: readonly PlanPerson[]) => {
  const axis = axisOf(crew);
  const hours = crew.map((person) => hoursOf(person, axis));
  return { diary: new Diary(hours), hours, axis };
};

describe("A person's diary", () => {
  it('finds the first stretch within one shift that lies over no other work, as going through every minute does', () => {
    const works = fc.array(fc.record({ from: upTo(130), length: upTo(9, 1), isTaken: fc.boolean() }), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(anyCrew, works, (crew, asked) => {
        const { diary, hours, axis } = diaryOf(crew);
        const { before, places, shiftEnd } = hours[0] as PersonHours;
        const busy = new Uint8Array(axis.length + 1);
        for (const { from, length, isTaken } of asked) {
          const first = [...places.keys()].find((own) => {
            if (own < (before[Math.min(from, axis.length)] ?? NaN) || own + length > (shiftEnd[own] ?? NaN))
              return false;
            const end = (places[own + length - 1] ?? NaN) + 1;
            return !busy.subarray(places[own], end).includes(1);
          });
          expect(diary.find(0, from, length)).toBe(first !== undefined);
          // Nobody can begin sooner than they are free.
          const free = busy.indexOf(0, from);
          expect(diary.soonest(0, from)).toBe(Math.max(from, free < 0 ? axis.length : free));
          if (first === undefined) continue;
          const end = (places[first + length - 1] ?? NaN) + 1;
          expect([diary.start, diary.end]).toEqual([places[first] ?? NaN, end]);
          // The other one has a diary of their own.
          expect(diary.find(1, 3, 5) && diary.start).toBe(3);
          if (!isTaken) continue;
          diary.take(0, places[first] ?? NaN, end);
          busy.fill(1, places[first], end);
          expect(diary.tail[0]).toBe(busy.lastIndexOf(1) + 1);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('begins the next shift behind the night, and none behind the last', () => {
    const odile = { ...early('Odile'), shifts: [...early('Odile').shifts, ...early('Odile', 1440).shifts] };
    const { diary } = diaryOf([odile]);
    // 465 min a shift, one behind the other.
    expect([0, 464, 465, 929].map((place) => diary.shiftOf(0, place))).toEqual([465, 465, 930, 930]);
    expect([0, 464, 465].map((place) => diary.nextShift(0, place))).toEqual([465, 465, 2 ** 30]);
    // Half an hour before the end of the first is too short for an hour.
    expect(diary.find(0, 435, 60) && [diary.start, diary.end]).toEqual([465, 525]);
    expect(diary.find(0, 435, 30) && [diary.start, diary.end]).toEqual([435, 465]);
    expect(diary.find(0, 900, 31)).toBeFalse();
    expect(diary.find(0, 930, 1)).toBeFalse();
    expect(diary.find(0, 931, 1)).toBeFalse();
  });

  it('takes work of no minutes where it is asked for, and notes nothing of it', () => {
    const { diary } = diaryOf([early('Odile')]);
    expect(diary.find(0, 7, 0) && [diary.start, diary.end]).toEqual([7, 7]);
    diary.take(0, 7, 7);
    expect(diary.tail[0]).toBe(0);
    expect(diary.soonest(0, 5)).toBe(5);
  });

  it('remembers a dozen gaps: the oldest is forgotten, which loses room and never makes two works of one time', () => {
    const { diary } = diaryOf([early('Odile')]);
    // Ten minutes of every twenty: gaps at 0, 20, 40 ...
    for (let k = 0; k < 13; k++) diary.take(0, 20 * k + 10, 20 * k + 20);
    expect(diary.find(0, 0, 1) && diary.start).toBe(20);
    expect(diary.find(0, 0, 10) && [diary.start, diary.end]).toEqual([20, 30]);
    expect(diary.find(0, 0, 11) && diary.start).toBe(260);
    expect(diary.find(0, 225, 10) && diary.start).toBe(240);
    // Within a gap: what is left of it on both sides is found, and again the oldest is forgotten.
    diary.take(0, 44, 46);
    expect(diary.find(0, 0, 10) && diary.start).toBe(60);
    expect(diary.find(0, 0, 4) && diary.start).toBe(40);
    expect(diary.find(0, 41, 4) && diary.start).toBe(46);
    expect(diary.find(0, 0, 1) && diary.start).toBe(40);
    diary.take(0, 40, 44);
    expect(diary.find(0, 0, 4) && diary.start).toBe(46);
  });

  it('is copied whole, and goes on by itself', () => {
    const { diary, hours } = diaryOf([early('Odile')]);
    diary.take(0, 10, 20);
    const other = new Diary(hours);
    other.copy(diary);
    other.take(0, 0, 5);
    expect([other.soonest(0, 0), diary.soonest(0, 0)]).toEqual([5, 0]);
    expect([other.find(0, 0, 6), other.start]).toEqual([true, 20]);
    expect([diary.find(0, 0, 6), diary.start]).toEqual([true, 0]);
    other.clear();
    expect([other.find(0, 0, 6), other.start]).toEqual([true, 0]);
    expect(other.tail[0]).toBe(0);
  });
});
