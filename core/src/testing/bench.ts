import { checkEntry, computeSetUp, gateAbout, judgeCombination, judgeLot, lotOf, restsOf } from '../index';
import type { Entry, EntryBody, Family, Practice, SetUpContext } from '../index';
import { familyContext } from './families';
import { NOW, practice } from './shop';

/** Entries of one set-up, put through the rules one by one. */
export class Bench {
  readonly entries: Entry[] = [];
  constructor(readonly context: SetUpContext) {}

  /** A second later with every entry. */
  get now() {
    return new Date(Date.parse(NOW) + 1000 * this.entries.length).toISOString();
  }

  get setUp() {
    return computeSetUp(this.context, this.entries, this.now);
  }

  lot(number: number) {
    return judgeLot(this.setUp, this.entries, this.context, number, this.now);
  }

  /** The refusal; null where it is taken on record. */
  put(body: EntryBody, corrects: string | null = null): string | null {
    const why = corrects && 'measured again';
    const about = { why, isCorrection: corrects !== null, by: 'Odile' };
    const rests = restsOf(this.setUp, this.entries, this.context, lotOf(body), this.now);
    const done = checkEntry(this.setUp, this.entries, body, about, rests);
    if (!done.ok) return done.refusal.code;
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
