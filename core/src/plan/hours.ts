import { at } from './at';
import type { PlanPerson, Shift } from './PlanWork';

/*
 * Minutes that count. Those in which nobody works are left out, so that a night has no length: what is left is one line of working
 * minutes for the whole shop, and on it a table for each person that gives the end of a piece of work by two look-ups.
 */

/** The shop's working minutes, and the way to the clock and back. */
export interface Axis {
  /** Working minutes in all. */
  readonly length: number;
  /** Clock minute of each working minute. */
  readonly clock: Int32Array;
  /** Working minutes before a clock minute. */
  readonly before: (clock: number) => number;
}

/** One person's minutes on the axis. */
export interface PersonHours {
  /** Own working minutes before each minute of the axis; one longer than the axis. */
  readonly before: Int32Array;
  /** Place on the axis of each own working minute. */
  readonly places: Int32Array;
  /** Number of the first own working minute after the shift that each belongs to. */
  readonly shiftEnd: Int32Array;
}

/** Minutes of a shift outside its breaks, as spans. */
function spansOf({ from, to, breaks }: Shift): [number, number][] {
  const spans: [number, number][] = [];
  let start = from;
  for (const pause of breaks.toSorted((a, b) => a.from - b.from)) {
    if (pause.from > start) spans.push([start, Math.min(pause.from, to)]);
    start = Math.max(start, pause.to);
  }
  if (start < to) spans.push([start, to]);
  return spans;
}

/** Minutes of a shift without its breaks. */
export const minutesOfShift = (shift: Shift): number => spansOf(shift).reduce((sum, [from, to]) => sum + to - from, 0);

/** The working minutes of all these people together. */
export function axisOf(people: readonly PlanPerson[]): Axis {
  const spans = people
    .flatMap(({ shifts }) => shifts.flatMap(spansOf))
    .map(([from, to]): [number, number] => [Math.max(0, from), to])
    .filter(([from, to]) => from < to)
    .sort((a, b) => a[0] - b[0]);
  const joined: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = joined.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else joined.push([from, to]);
  }
  const length = joined.reduce((sum, [from, to]) => sum + to - from, 0);
  const clock = new Int32Array(length);
  const starts: number[] = [];
  let place = 0;
  for (const [from, to] of joined) {
    starts.push(place);
    for (let minute = from; minute < to; minute++) clock[place++] = minute;
  }
  const before = (minute: number): number => {
    let [low, high] = [0, joined.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((joined[middle] as [number, number])[1] <= minute) low = middle + 1;
      else high = middle;
    }
    const span = joined[low];
    return span ? (starts[low] as number) + Math.max(0, minute - span[0]) : length;
  };
  return { length, clock, before };
}

/** One person's hours on the axis. */
export function hoursOf(person: PlanPerson, axis: Axis): PersonHours {
  const isIn = new Int32Array(axis.length).fill(-1);
  person.shifts.forEach((shift, number) => {
    for (const [from, to] of spansOf(shift)) {
      for (let place = axis.before(from); place < axis.before(to); place++) isIn[place] = number;
    }
  });
  const before = new Int32Array(axis.length + 1);
  const places: number[] = [];
  for (let place = 0; place < axis.length; place++) {
    before[place] = places.length;
    if (at(isIn, place) >= 0) places.push(place);
  }
  before[axis.length] = places.length;
  const shiftEnd = new Int32Array(places.length);
  for (let own = places.length - 1, end = places.length; own >= 0; own--) {
    const next = places[own + 1];
    if (next !== undefined && at(isIn, next) !== at(isIn, places[own] as number)) end = own + 1;
    shiftEnd[own] = end;
  }
  return { before, places: Int32Array.from(places), shiftEnd };
}
