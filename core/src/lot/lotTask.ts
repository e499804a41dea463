import { uncapital } from '../text';
import type { LotVerdict } from './judgeLot';

/**
 * The one thing to do for a lot now:
 * - 'bracket': pull a piece to find where a fault began
 * - 'stop': a piece failed and no further pull can tell more; say what was put right
 * - 'check': look at a piece and pull it
 * - 'make': go on making, up to the next check
 * - 'set-up': the tool was changed; the set-up is proved with it before anything more is made
 * - 'resume', 'finish', 'finished': what they say
 * - 'decide': every piece is made, and something of them is still open
 */
export type LotTaskCode =
  'bracket' | 'stop' | 'set-up' | 'check' | 'make' | 'resume' | 'finish' | 'decide' | 'finished';

/** What is done for a lot now, with the piece it is about: the one answer that the lot's page and every list go by. */
export interface LotTask {
  readonly code: LotTaskCode;
  /** The piece in hand; null while none is. */
  readonly piece: number | null;
  /** What of that piece comes next; null when nothing does, or no piece is in hand. */
  readonly step: 'look' | 'measure' | 'tug' | null;
  /** Where making ends in a check: the number to count up to. null while nothing is made. */
  readonly upTo: number | null;
  readonly headline: string;
  readonly why: string;
  /** A failure nothing was done about yet: it is told above whatever is to be done. */
  readonly alarm: { readonly headline: string; readonly why: string } | null;
}

/**
 * What is done for a lot now.
 *
 * @param named a piece a person has chosen to check, or whose pull is being corrected; it goes before what is due
 */
export function lotTask(lot: LotVerdict, named: number | null = null): LotTask {
  const { head, due, bracket, noBracket, checks, unfinished, counts } = lot;
  const failure = due.find((d) => d.code === 'contain');
  const alarm = failure ? { headline: failedText(lot, failure.piece), why: heldText(lot) } : null;
  const told = (code: LotTaskCode, headline: string, why: string, piece: number | null = null): LotTask => ({
    ...{ code, piece, headline, why, alarm, step: piece === null ? null : stepOf(lot, piece) },
    upTo: code === 'make' ? (due.find((d) => d.code !== 'hours')?.piece ?? head.pieces) : null,
  });
  if (head.state === 'finished') {
    const { spent, scrapped, left } = counts;
    return told(
      'finished',
      lot.headline,
      `${head.made} made, ${spent} pulled, ${scrapped} scrapped, ${left} to deliver.`,
    );
  }
  const open = checks.find((c) => c.outcome === 'open' && c.tug !== 'quality' && c.tug !== 'no-limit')?.piece;
  const inHand = named ?? open ?? null;
  if (inHand === null && failure) {
    if (bracket && bracket.next !== null)
      return told('bracket', `Pull piece ${bracket.next}.`, bracket.text, bracket.next);
    return told('stop', 'Stop: put it right, and say what was changed.', noBracket ?? bracket?.text ?? failure.text);
  }
  if (inHand === null && head.state === 'paused')
    return told(
      'resume',
      `Paused at piece ${head.made}.`,
      'Resume when work on it goes on; the clock of its checks stands still.',
    );
  const now = due.find(
    (d) => d.code !== 'contain' && d.inPieces <= 0 && (head.awaitsSetUp === null || d.piece <= head.awaitsSetUp),
  );
  // What was made before the change is still looked at and pulled; nothing is made after it.
  if (head.awaitsSetUp !== null && (inHand ?? now?.piece ?? null) === null)
    return told(
      'set-up',
      'Set it up again: the tool was changed.',
      `Pieces 1 to ${head.awaitsSetUp} stay with what they were made with. The lot goes on once quality has released the set-up with the tool in hand.`,
    );
  const piece = inHand ?? now?.piece ?? null;
  if (piece !== null) {
    const why = due.find((d) => d.piece === piece && d.code !== 'contain');
    const isBracket = piece === bracket?.next;
    const text = isBracket ? bracket.text : why ? `${why.text}${why.overdue ? ' It is overdue.' : ''}` : '';
    const headline = stepOf(lot, piece) === 'tug' ? `Pull piece ${piece}.` : `Check piece ${piece} now.`;
    return told(isBracket ? 'bracket' : 'check', headline, text, piece);
  }
  if (bracket && bracket.next !== null)
    return told('bracket', `Pull piece ${bracket.next} to find where it began.`, bracket.text, bracket.next);
  const [next] = due;
  if (next && head.made < head.pieces) {
    const headline =
      next.code === 'hours' && next.inMinutes !== null
        ? `Next check in ${next.inMinutes} min of work.`
        : `${next.inPieces} more, then check piece ${next.piece}.`;
    return told('make', headline, next.text);
  }
  if (!unfinished.length)
    return told('finish', 'Every check is there: finish the lot.', `${counts.left} pieces are clear.`);
  return told('decide', 'Every piece is made; one thing is open.', unfinished[0] ?? '');
}

function stepOf({ checks }: LotVerdict, piece: number): LotTask['step'] {
  const check = checks.find((c) => c.piece === piece);
  if (!check) return 'look';
  // The pull takes the piece: what was not seen or measured before cannot be seen after.
  if (check.tug !== 'open') return check.look === 'open' ? (check.isSeen ? 'measure' : 'look') : null;
  if (check.look !== 'open') return 'tug';
  return check.isSeen ? 'measure' : 'look';
}

function failedText({ checks }: LotVerdict, piece: number): string {
  return checks.find((c) => c.piece === piece)?.text ?? `Piece ${piece} failed.`;
}

function heldText({ spans }: LotVerdict): string {
  const suspect = spans.filter((s) => s.state === 'suspect');
  const [first] = suspect;
  const last = suspect.at(-1);
  if (!first || !last) return 'Nothing else is suspect.';
  const which = first.from === last.to ? `Piece ${first.from} is` : `Pieces ${first.from} to ${last.to} are`;
  return `${which} held back: ${uncapital(first.text)}`;
}
