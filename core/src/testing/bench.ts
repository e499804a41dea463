import { checkEntry, computeSetUp, gateAbout, judgeCombination, judgeLot, lotOf, restsOf } from '../index';
import type { Entry, EntryBody, EntryRefusal, Family, Practice, SetUp, SetUpContext } from '../index';
import { familyContext } from './families';
import { NOW, practice } from './shop';

/** Entries of one set-up, put through the rules one by one. */
export class Bench {
  readonly entries: Entry[] = [];
  #setUp: { readonly entries: number; readonly own: SetUp } | null = null;
  constructor(readonly context: SetUpContext) {}

  /** A second later with every entry. */
  get now() {
    return new Date(Date.parse(NOW) + 1000 * this.entries.length).toISOString();
  }

  /** Worked out once for as many entries as there are. */
  get setUp() {
    if (this.#setUp?.entries !== this.entries.length)
      this.#setUp = { entries: this.entries.length, own: computeSetUp(this.context, this.entries, this.now) };
    return this.#setUp.own;
  }

  lot(number: number) {
    return judgeLot(this.setUp, this.entries, this.context, number, this.now);
  }

  /** The code of the refusal; null where it is taken on record. */
  put(body: EntryBody, corrects: string | null = null): string | null {
    return this.record(body, corrects)?.code ?? null;
  }

  /** The refusal; null where it is taken on record. */
  record(body: EntryBody, corrects: string | null = null): EntryRefusal | null {
    const why = corrects && 'measured again';
    const about = { why, isCorrection: corrects !== null, by: 'Odile' };
    const rests = restsOf(this.setUp, this.entries, this.context, lotOf(body), this.now);
    const done = checkEntry(this.setUp, this.entries, body, about, rests);
    if (!done.ok) return done.refusal;
    const id = `e${this.entries.length}`;
    this.entries.push({ id, at: this.now, by: 'Odile', body, corrects, why, limit: null });
    return null;
  }

  take(): this {
    const { chosen } = this.setUp.toolChoice;
    if (!chosen) throw new Error('no tool');
    const { tool, die, nest } = chosen;
    expect(this.put({ kind: 'tool', tool: tool.part, die: die.id, nest: nest.id })).toBeNull();
    return this;
  }

  /** Answers every step with yes, in order. */
  make(): this {
    for (const step of this.setUp.gates)
      expect(this.put({ kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' })).toBeNull();
    return this;
  }

  get judged() {
    return judgeCombination(this.setUp, this.entries, this.context, this.now);
  }
}

/** A set-up of one family by house rules that differ in some points. */
export const familySetUp = (family: Family, changes: Partial<Practice>, own: Partial<SetUpContext> = {}) =>
  new Bench(familyContext(family, { practice: { ...practice, ...changes }, ...own })).setUp;
