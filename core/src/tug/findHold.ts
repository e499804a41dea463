import type { Terminal } from '../terminal';
import { showLimit } from '../units';
import { reason, type Reason } from '../verdict';
import type { Limit } from './findLimit';
import type { LimitTable } from './LimitTable';

/** Most of a wire's breaking load that is ever held: what is held is used afterwards. */
const MOST_HELD = 0.6;

export type HoldFound =
  | { readonly hold: { readonly force: number; readonly seconds: number }; readonly reason: Reason }
  | { readonly hold: null; readonly reason: Reason };

/**
 * What a hold test of this wire has to reach and for how long: the force of the wire's own row, else the table's percent of the
 * wire's limit; never more than 0.6 of its breaking load. Where neither is named there is none: a force is not borrowed from
 * another size.
 *
 * @param limit what applies to the wire
 * @param breaks breaking load of the wire, N
 * @example limit 28 N, table 50 %: 14 N; a row that names 50 N on a wire that breaks at 60: 36 N
 */
export function findHold(limit: Limit, breaks: number): HoldFound {
  const { table, row } = limit;
  if (!table.hold) return none('hold-not-named', 'The limit table names no hold.');
  const { seconds, percent } = table.hold;
  const named = row?.hold ?? (percent === null ? null : (percent / 100) * limit.force);
  if (named === null) {
    return none(
      'hold-not-for-size',
      'The limit table names no force to hold for this size, and none is borrowed from another. Quality adds it to the row.',
    );
  }
  const most = MOST_HELD * breaks;
  const force = Math.min(named, most);
  const text =
    force < named
      ? `Hold ${showLimit(force, 1)} N for ${seconds} s: the table says ${showLimit(named, 1)} N, and more than ${MOST_HELD} of what this wire bears is not held.`
      : `Hold ${showLimit(force, 1)} N for ${seconds} s.`;
  return { hold: { force, seconds }, reason: reason('hold', 'note', text, { force, seconds, named, most }) };
}

const none = (code: string, text: string): HoldFound => ({ hold: null, reason: reason(code, 'note', text) });

/**
 * Push a contact has to withstand in its cavity, N: by the row for its size, else by the one for its family, else by one for all;
 * null where the table has none of them.
 */
export function findPush({ pushes }: Pick<LimitTable, 'pushes'>, terminal: Terminal): number | null {
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replace(/\s+/g, ' ')
      .replace(/^size /, '')
      .trim();
  const sizes = [terminal.barrelSize, terminal.stud].flatMap((size) => (size === null ? [] : [plain(size)]));
  const particular = (row: LimitTable['pushes'][number]) =>
    (row.contactSize === null ? 0 : 2) + (row.families.length ? 1 : 0);
  return (
    pushes
      .filter(
        ({ contactSize, families }) =>
          (contactSize === null || sizes.includes(plain(contactSize))) &&
          (!families.length || families.includes(terminal.family)),
      )
      .sort((a, b) => particular(b) - particular(a))[0]?.force ?? null
  );
}
