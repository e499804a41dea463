import { isSameDocument } from '../document';
import { ownSheet, PLAIN_SHEET } from '../look';
import { reason, type Reason } from '../verdict';
import { entriesOf, type Entry, type Revisions, type Standing } from '../entry';
import type { SetUp } from './computeSetUp';

export interface ReleaseVerdict {
  /** 'none' before quality released it; 'lapsed' when what it was released with has changed since. */
  readonly state: 'none' | 'released' | 'lapsed';
  readonly by: string | null;
  readonly at: string | null;
  /** Why it lapsed, or what it stands on. */
  readonly reasons: readonly Reason[];
}

/**
 * What a release made now would stand on.
 * @returns null while no tool is taken or no limit applies
 */
export function standingOf(setUp: SetUp, entries: readonly Entry[], revisions: Revisions): Standing | null {
  const taken = entriesOf(entries, 'tool').at(-1)?.body;
  const table = setUp.standing.limit?.table;
  if (!taken || !table) return null;
  return {
    tool: taken.tool,
    die: taken.die,
    nest: taken.nest,
    setting: taken.setting ?? null,
    positioner: taken.positioner ?? null,
    limit: { document: table.document, revision: table.revision, class: table.class },
    ...(taken.look && { look: taken.look }),
    revisions,
  };
}

/**
 * What has changed under a released set-up: the tool, die, nest, setting or positioner, the limit table in effect, the
 * tool's fitness for use, or a revision of terminal, wires or practice.
 *
 * @param stands what it was released with
 * @param now what it would stand on now; null while no tool is taken or no limit applies
 * @param newest newest revisions in the cabinet
 */
export function lapseReasons(setUp: SetUp, stands: Standing, now: Standing | null, newest: Revisions): Reason[] {
  const reasons: Reason[] = [];
  const lapse = (code: string, text: string, numbers: Record<string, number> = {}) =>
    reasons.push(reason(code, 'hold', text, numbers));

  // Without a table nothing stands either, and the tool is still the one it was.
  if (now ? now.tool !== stands.tool : !setUp.tool) lapse('lapsed-tool', `It was released with ${stands.tool}.`);
  else if (now) {
    if (now.die !== stands.die || now.nest !== stands.nest) {
      lapse('lapsed-die', `It was released with die ${stands.die}, nest ${stands.nest}.`);
    }
    if (now.setting !== stands.setting) {
      lapse('lapsed-setting', `It was released at setting ${stands.setting ?? 'none'}.`);
    }
    if (now.positioner !== stands.positioner) {
      lapse('lapsed-positioner', `It was released with positioner ${stands.positioner ?? 'none'}.`);
    }
  }
  if (setUp.tool?.state.state === 'refused') {
    const why = setUp.tool.state.reasons.find((r) => r.weight === 'bad');
    lapse('lapsed-tool-state', why?.text ?? 'The tool is out of use.');
  }
  const applies = setUp.limit.limit?.table;
  if (!isSameDocument(applies, stands.limit)) {
    lapse(
      'lapsed-limit',
      `It was proved against ${stands.limit.document} rev ${stands.limit.revision}; ${
        applies ? `${applies.document} rev ${applies.revision} is in effect now` : 'no table is in effect now'
      }.`,
    );
  }
  const { lookInEffect } = setUp;
  if (!isSameDocument(ownSheet(lookInEffect), stands.look)) {
    const by = stands.look ? `${stands.look.document} rev ${stands.look.revision}` : 'no sheet of the shop';
    lapse(
      'lapsed-look',
      `Its pieces were looked at by ${by}; ${
        lookInEffect === PLAIN_SHEET
          ? 'no sheet is in effect now'
          : `${lookInEffect.document} rev ${lookInEffect.revision} is in effect now`
      }.`,
    );
  }
  const newer = (code: string, what: string, from: number, to: number | undefined) => {
    if (to === undefined || to <= from) return;
    lapse(code, `The ${what} has revision ${to} now; it was proved with revision ${from}.`, {
      proved: from,
      newest: to,
    });
  };
  const { revisions } = stands;
  newer('lapsed-terminal', 'terminal', revisions.terminal, newest.terminal);
  newer('lapsed-wire', 'wire', revisions.wire, newest.wire);
  revisions.together.forEach((from, i) => {
    newer('lapsed-wire', 'other wire in the barrel', from, newest.together[i]);
  });
  revisions.opposite?.forEach((from, i) => {
    newer('lapsed-wire', 'wire at the other end', from, newest.opposite?.[i]);
  });
  newer('lapsed-practice', 'profile of house rules', revisions.practice, newest.practice);
  return reasons;
}

/**
 * Whether a set-up is released, and if its release has lapsed, by what: see {@link lapseReasons}; also when the evidence
 * no longer passes.
 *
 * @param entries of the current run
 * @param holds whether every stage still passes
 */
export function judgeRelease(
  setUp: SetUp,
  entries: readonly Entry[],
  revisions: Revisions,
  newest: Revisions,
  holds: boolean,
): ReleaseVerdict {
  const release = entriesOf(entries, 'release').at(-1);
  if (!release) return { state: 'none', by: null, at: null, reasons: [] };
  const { stands } = release.body;
  const reasons = lapseReasons(setUp, stands, standingOf(setUp, entries, revisions), newest);
  if (!holds) {
    reasons.push(reason('lapsed-evidence', 'hold', 'What is on record no longer passes every stage.'));
  }
  const about = { by: release.by, at: release.at };
  if (reasons.length) return { ...about, state: 'lapsed', reasons };
  const text = `Released by ${release.by} against ${stands.limit.document} rev ${stands.limit.revision}.`;
  return { ...about, state: 'released', reasons: [reason('released', 'good', text)] };
}
