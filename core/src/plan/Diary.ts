import { at } from './at';
import type { PersonHours } from './hours';

/** Gaps of a person that are remembered; older ones are forgotten, which makes a plan no worse than valid. */
const GAPS = 12;

/** Busy stretches of people: where each is free for good, and the gaps before. */
export class Diary {
  readonly tail: Int32Array;
  private readonly count: Int32Array;
  private readonly from: Int32Array;
  private readonly to: Int32Array;

  constructor(private readonly hours: readonly PersonHours[]) {
    this.tail = new Int32Array(hours.length);
    this.count = new Int32Array(hours.length);
    this.from = new Int32Array(hours.length * GAPS);
    this.to = new Int32Array(hours.length * GAPS);
  }

  clear(): void {
    this.tail.fill(0);
    this.count.fill(0);
  }

  copy(other: Diary): void {
    this.tail.set(other.tail);
    this.count.set(other.count);
    this.from.set(other.from);
    this.to.set(other.to);
  }

  /** Start and end of the last work that was found. */
  start = 0;
  end = 0;

  /**
   * Finds the first stretch of `length` own minutes from a place on: within one shift, over breaks but over no other work.
   * @returns whether there is one
   */
  find(person: number, from: number, length: number): boolean {
    const end = person * GAPS + at(this.count, person);
    for (let g = this.firstAfter(person, from); g < end; g++)
      if (
        at(this.to, g) - Math.max(from, at(this.from, g)) >= length &&
        this.fit(person, Math.max(from, at(this.from, g)), length) &&
        this.end <= at(this.to, g)
      )
        return true;
    return this.fit(person, Math.max(from, at(this.tail, person)), length);
  }

  /** A place before which a person cannot begin, from a place on. */
  soonest(person: number, from: number): number {
    const g = this.firstAfter(person, from);
    if (g < person * GAPS + at(this.count, person)) return Math.max(from, at(this.from, g));
    return Math.max(from, at(this.tail, person));
  }

  /** The first gap that is not over by then: gaps are in their order, and most of them are long over. */
  private firstAfter(person: number, from: number): number {
    const first = person * GAPS;
    let g = first + at(this.count, person);
    while (g > first && at(this.to, g - 1) > from) g--;
    return g;
  }

  private fit(person: number, from: number, length: number): boolean {
    const { before, places, shiftEnd } = this.hours[person] as PersonHours;
    if (from >= before.length) return false;
    let own = at(before, from);
    while (own < places.length && at(shiftEnd, own) < own + length) own = at(shiftEnd, own);
    if (own >= places.length) return false;
    this.start = at(places, own);
    this.end = length ? at(places, own + length - 1) + 1 : this.start;
    return true;
  }

  /** Number of the shift's end that a place belongs to: two places of one shift have the same. */
  shiftOf(person: number, place: number): number {
    const { before, shiftEnd } = this.hours[person] as PersonHours;
    return at(shiftEnd, at(before, place));
  }

  /** Start of the shift after the one a place belongs to; beyond everything after the last. */
  nextShift(person: number, place: number): number {
    const { places } = this.hours[person] as PersonHours;
    const own = this.shiftOf(person, place);
    return own < places.length ? at(places, own) : 2 ** 30;
  }

  take(person: number, start: number, end: number): void {
    if (end <= start) return;
    const tail = at(this.tail, person);
    if (start >= tail) {
      if (start > tail) this.remember(person, tail, start);
      this.tail[person] = end;
      return;
    }
    const first = person * GAPS;
    for (let g = first; g < first + at(this.count, person); g++) {
      const [from, to] = [at(this.from, g), at(this.to, g)];
      if (start < from || end > to) continue;
      if (start > from) {
        this.to[g] = start;
        if (end < to) this.remember(person, end, to);
      } else if (end < to) this.from[g] = end;
      else this.forget(person, g);
      return;
    }
  }

  private forget(person: number, g: number): void {
    const end = person * GAPS + at(this.count, person);
    this.from.copyWithin(g, g + 1, end);
    this.to.copyWithin(g, g + 1, end);
    this.count[person] = at(this.count, person) - 1;
  }

  /** Gaps stay in their order. */
  private remember(person: number, from: number, to: number): void {
    const first = person * GAPS;
    let count = at(this.count, person);
    if (count === GAPS) {
      this.forget(person, first);
      count--;
    }
    let place = first + count;
    for (; place > first && at(this.from, place - 1) > from; place--) {
      this.from[place] = at(this.from, place - 1);
      this.to[place] = at(this.to, place - 1);
    }
    this.from[place] = from;
    this.to[place] = to;
    this.count[person] = count + 1;
  }
}
