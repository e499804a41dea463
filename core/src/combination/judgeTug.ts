import { entriesOf, type Entry } from '../entry';
import type { Practice } from '../practice';
import type { End } from '../terminal';
import { capital } from '../text';
import {
  findHold,
  isValidMode,
  judgeGroup,
  judgeHold,
  judgeMating,
  judgeReading,
  judgeRetention,
  type GroupVerdict,
} from '../tug';
import { showBeside } from '../units';
import { reason, type Reason } from '../verdict';
import { matedPairs } from './matedPairs';
import type { SetUp } from './computeSetUp';
import type { StageState, StageVerdict } from './judgeCombination';
import { pullLimit, pullName, type PullSetUp } from './pulls';

/**
 * Judges what was pulled, held and pushed: each wire of the barrel against its own limit, a splice as one piece.
 * @returns empty groups where no limit applies
 */
export function judgeTug(
  setUp: SetUp,
  entries: readonly Entry[],
  practice: Practice,
): { groups: readonly GroupVerdict[]; verdict: StageVerdict } {
  const missing = setUp.pulls.find(({ standing }) => !standing.limit)?.standing;
  if (missing) {
    const reasons = [{ ...missing.reason, weight: 'hold' as const }];
    return { groups: [], verdict: { stage: 'tug', state: 'missing', answer: missing.reason.text, reasons } };
  }
  const judged = setUp.pulls.map((pull) => judgePull(setUp, pull, entries, practice));
  const kept = judgeKept(setUp, entries);
  const states = [...judged.map((w) => w.state), kept.state];
  const state = (['fail', 'hold', 'missing', 'pass'] as const).find((s) => states.includes(s)) ?? 'missing';
  return {
    groups: judged.map((w) => w.group),
    verdict: {
      stage: 'tug',
      state,
      answer: judged.map((w) => w.answer).join(' '),
      reasons: [...judged.flatMap((w) => w.reasons), ...kept.reasons],
    },
  };
}

/** The pulls of one wire of the barrel, or of the two ends of a splice, against the limit of what failed. */
function judgePull(
  setUp: SetUp,
  pull: PullSetUp,
  entries: readonly Entry[],
  practice: Practice,
): { group: GroupVerdict; state: StageState; answer: string; reasons: Reason[] } {
  const wanted = practice.setUpPieces;
  const standing = setUp.wires.map((each) => each.standing);
  const limitOf = (failed: End | undefined) => pullLimit(pull, standing, failed)?.limit?.force ?? 0;
  const limit = limitOf(undefined);
  const isOwn = (e: { body: { wire?: number | undefined } }) => (e.body.wire ?? 1) === pull.number;
  const rulings = new Map(
    entriesOf(entries, 'ruling')
      .filter(isOwn)
      .map((e) => [e.body.piece, e.body.ruling]),
  );
  const readings = entriesOf(entries, 'reading')
    .filter(isOwn)
    .map((e) => e.body);
  const atQuality = readings.filter(
    (r) => judgeReading(r.force, limitOf(r.failedEnd), r.mode).verdict === 'quality' && !rulings.has(r.piece),
  );
  const valid = readings.filter((r) => isValidMode(r.mode) || rulings.get(r.piece) === 'counts');
  const group = judgeGroup(
    valid.map((r) => r.force),
    limit,
    practice,
    wanted,
  );
  const name = setUp.pulls.length > 1 ? `${capital(pullName(pull, setUp))}: ` : '';
  // An end with a higher limit of its own may fail above the lower one, and has failed all the same.
  const strongFailed = valid.filter(({ force, failedEnd }) => force >= limit && force < limitOf(failedEnd));
  const reasons = [
    ...atQuality.map((r) =>
      reason(
        'at-quality',
        'hold',
        `${name}Piece ${r.piece} is low and was called not valid: quality has to rule on it.`,
        { piece: r.piece, wire: pull.number },
      ),
    ),
    ...strongFailed.map(({ piece, force, failedEnd }) => {
      const shown = showBeside(force, limitOf(failedEnd), 1);
      const text = `${name}Piece ${piece} failed at end ${failedEnd} at ${shown.value} N: its wire has to hold ${shown.limit} N.`;
      return reason('end-below', 'bad', text, { piece, force, limit: limitOf(failedEnd) });
    }),
    ...weakerEnd(pull, valid),
    ...group.reasons.map((r) => (name ? { ...r, text: `${name}${r.text}` } : r)),
  ];
  const lowest = showBeside(group.summary?.min ?? limit, limit, 1);
  const least = `each ≥ ${lowest.limit} N`;
  const isFailed = group.state === 'fail' || (practice.acceptance !== 'group-only' && strongFailed.length > 0);
  return {
    group,
    state: isFailed ? 'fail' : atQuality.length ? 'hold' : group.state,
    answer: valid.length
      ? `${name}${valid.length} of ${wanted} pulled, ${least}; lowest ${lowest.value} N.`
      : `${name}${wanted} pulls, ${least}.`,
    reasons,
  };
}

/** Which end of a splice gave way, over its pulls: a weak end is seen where the other never fails. */
function weakerEnd({ wires }: PullSetUp, valid: readonly { readonly failedEnd?: End | undefined }[]): Reason[] {
  if (wires.length < 2 || !valid.length) return [];
  const count = (end: End) => valid.filter(({ failedEnd }) => failedEnd === end).length;
  const [one, two] = [count(1), count(2)];
  const said = [...(one ? [`end 1 in ${one}`] : []), ...(two ? [`end 2 in ${two}`] : [])].join(', ');
  return said === '' ? [] : [reason('weaker-end', 'note', `Of ${valid.length} pulls failed ${said}.`, { one, two })];
}

/** What else was tried of the joint: holds, contacts pushed in their cavities, pairs put together and pulled apart. None is asked for; a bad one fails. */
function judgeKept(setUp: SetUp, entries: readonly Entry[]): { state: StageState; reasons: Reason[] } {
  const reasons: Reason[] = [];
  const standing = setUp.standing.limit;
  const wanted = standing && findHold(standing, setUp.breaks).hold;
  for (const { body } of entriesOf(entries, 'hold')) {
    const held = judgeHold(body, wanted);
    reasons.push({ ...held.reason, text: `Piece ${body.piece}: ${held.reason.text}` });
  }
  for (const { body } of entriesOf(entries, 'retention')) {
    // What goes into a connector of a loom is judged with its connector.
    if (body.connector !== undefined) continue;
    const stays = judgeRetention(body, setUp.retention?.force ?? null);
    reasons.push({ ...stays.reason, text: `Cavity ${body.cavity}: ${stays.reason.text}` });
  }
  if (setUp.mating) {
    for (const { piece, cycles } of matedPairs(entries)) {
      const { verdict, reasons: found } = judgeMating(cycles, setUp.mating);
      const told = found.filter(
        ({ weight }) => weight === (verdict === 'bad' ? 'bad' : verdict === 'good' ? 'good' : 'hold'),
      );
      for (const each of told) {
        const weight = each.weight === 'hold' ? 'note' : each.weight;
        reasons.push({ ...each, weight, text: `Pair ${piece}: ${each.text}` });
      }
    }
  }
  return { state: reasons.some((r) => r.weight === 'bad') ? 'fail' : 'pass', reasons };
}
