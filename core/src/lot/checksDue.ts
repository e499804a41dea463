import type { Due, LotHead, PieceCheck } from './LotState';

const MINUTE = 60_000;

/**
 * Checks that are due or come next, soonest first: the first piece, the stretches between checks, hours of work, both
 * sides of a change, the last piece. A check is any piece both looked at and pulled; a piece whose pull was no test does
 * not count, and the one after it takes its place.
 *
 * @param now ISO instant
 */
export function checksDue(head: LotHead, checks: readonly PieceCheck[], now: string): Due[] {
  if (head.state === 'finished') return [];
  const { pieces, made, plan, steps } = head;
  const done = checks.filter((c) => c.outcome === 'good' || c.outcome === 'bad');
  const spent = new Set(checks.filter((c) => c.outcome === 'void').map((c) => c.piece));
  const has = (piece: number) => done.some((c) => c.piece === piece);
  const after = (piece: number) => {
    let next = piece;
    while (spent.has(next) && next < pieces) next += 1;
    return next;
  };
  const before = (piece: number) => {
    let next = piece;
    while (spent.has(next) && next > 1) next -= 1;
    return next;
  };
  const dues: Due[] = [];
  const add = (code: Due['code'], piece: number, text: string, inMinutes: number | null = null, overdue = false) => {
    if (piece >= 1 && piece <= pieces && !has(piece) && !dues.some((d) => d.piece === piece)) {
      dues.push({ code, piece, inPieces: piece - made, inMinutes, overdue, text });
    }
  };

  const failed = checks.findLast((c) => c.outcome === 'bad');
  // What was changed before the failure was known did not put it right.
  const isRepaired = failed && steps.some((s) => s.what === 'change' && s.made >= failed.piece && s.at >= failed.at);
  if (failed && !isRepaired) {
    dues.push({
      code: 'contain',
      piece: failed.piece,
      inPieces: 0,
      inMinutes: null,
      overdue: true,
      text: `${failed.text} Stop, put it right, and say what was changed.`,
    });
  }
  add('first', after(1), 'The first piece.', null, made > after(1));
  for (const change of steps.filter((s) => s.what === 'change')) {
    if (change.change === null || (change.change !== 'repair' && !plan.afterChange.includes(change.change))) continue;
    const what = NAMES[change.change];
    if (plan.bothSides && change.change !== 'repair' && change.made >= 1) {
      const last = before(change.made);
      add('before-change', last, `The last piece before ${what}.`, null, made > change.made);
    }
    const first = after(change.made + 1);
    add('after-change', first, `The first piece after ${what}.`, null, made > first);
  }
  const every = plan.everyPieces;
  const marks = [0, ...done.map((c) => c.piece)].sort((a, b) => a - b);
  if (every !== null) {
    // Stretches already made without a check, then the one being made.
    for (let k = 0; k + 1 < marks.length; k++) {
      const from = marks[k] ?? 0;
      for (let piece = from + every; piece < (marks[k + 1] ?? 0); piece += every) {
        add('every', after(piece), `More than ${every} pieces were made without a check.`, null, true);
      }
    }
    for (let piece = (marks.at(-1) ?? 0) + every; piece < pieces; piece += every) {
      add('every', after(piece), `Every ${every} pieces.`, null, made > piece);
      if (piece > made) break;
    }
  }
  if (plan.everyHours !== null) {
    const since = done.reduce((latest, c) => (c.at > latest ? c.at : latest), head.openedAt);
    const left = plan.everyHours * 60 - workMinutes(head, since, now);
    const piece = after(Math.min(pieces, Math.max(1, made + 1)));
    if (made < pieces || left <= 0) {
      add(
        'hours',
        left <= 0 ? after(Math.max(1, made)) : piece,
        `Every ${plan.everyHours} h of work.`,
        Math.round(left),
        left < 0,
      );
    }
  }
  add('last', before(pieces), 'The last piece.');
  return dues.sort(
    (a, b) =>
      Number(b.code === 'contain') - Number(a.code === 'contain') || urgency(a) - urgency(b) || a.piece - b.piece,
  );
}

/** Pieces to go; time counts as now once it has run out. */
const urgency = (due: Due) =>
  due.inMinutes !== null ? (due.inMinutes <= 0 ? 0 : Math.max(1, due.inPieces)) : Math.max(0, due.inPieces);

const NAMES: Readonly<Record<string, string>> = {
  'wire-reel': 'the wire reel was changed',
  'terminal-reel': 'the terminal reel was changed',
  die: 'the die was changed',
  setting: 'the setting was changed',
  tool: 'the tool was changed',
  person: 'another person took over',
  repair: 'it was put right',
};

/** A change in words: 'the wire reel was changed'. */
export function changeName(change: string): string {
  return NAMES[change] ?? change;
}

/** Minutes of work between two instants: pauses do not count. */
function workMinutes(head: LotHead, from: string, to: string): number {
  let total = Math.max(0, Date.parse(to) - Date.parse(from));
  let pausedAt: number | null = null;
  const within = (at: number) => Math.min(Math.max(at, Date.parse(from)), Date.parse(to));
  for (const step of head.steps) {
    if (step.what === 'pause') pausedAt = Date.parse(step.at);
    else if (step.what === 'resume' && pausedAt !== null) {
      total -= within(Date.parse(step.at)) - within(pausedAt);
      pausedAt = null;
    }
  }
  if (pausedAt !== null) total -= within(Date.parse(to)) - within(pausedAt);
  return Math.max(0, total) / MINUTE;
}
