import { reason, type Reason } from '../verdict';
import { entriesOf } from './entriesOf';
import type { Entry, Revisions, Standing } from './Entry';
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
    revisions,
  };
}

/**
 * Whether a set-up is released, and if its release has lapsed, by what: the tool, die, nest, setting or positioner,
 * the limit table in effect, or a newer revision of terminal, wire or practice; also when the evidence no longer
 * passes or the tool is no longer fit for use.
 *
 * @param entries of the current run
 * @param newest newest revisions in the cabinet
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
  const now = standingOf(setUp, entries, revisions);
  const reasons: Reason[] = [];
  const lapse = (code: string, text: string, numbers: Record<string, number> = {}) =>
    reasons.push(reason(code, 'hold', text, numbers));

  if (!now || now.tool !== stands.tool) lapse('lapsed-tool', `It was released with ${stands.tool}.`);
  else {
    if (now.die !== stands.die || now.nest !== stands.nest) {
      lapse('lapsed-die', `It was released with die ${stands.die}, nest ${stands.nest}.`);
    }
    if (now.setting !== stands.setting)
      lapse('lapsed-setting', `It was released at setting ${stands.setting ?? 'none'}.`);
    if (now.positioner !== stands.positioner) {
      lapse('lapsed-positioner', `It was released with positioner ${stands.positioner ?? 'none'}.`);
    }
  }
  if (setUp.tool?.state.state === 'refused') {
    lapse(
      'lapsed-tool-state',
      setUp.tool.state.reasons.find((r) => r.weight === 'bad')?.text ?? 'The tool is out of use.',
    );
  }
  const applies = setUp.limit.limit?.table;
  if (applies?.document !== stands.limit.document || applies.revision !== stands.limit.revision) {
    lapse(
      'lapsed-limit',
      `It was released against ${stands.limit.document} rev ${stands.limit.revision}; ${
        applies ? `${applies.document} rev ${applies.revision} is in effect now` : 'no table is in effect now'
      }.`,
    );
  }
  for (const what of ['terminal', 'wire', 'practice'] as const) {
    if (newest[what] > stands.revisions[what]) {
      lapse(
        `lapsed-${what}`,
        `The ${what === 'practice' ? 'practice profile' : what} has revision ${newest[what]} now; it was released with revision ${stands.revisions[what]}.`,
        { released: stands.revisions[what], newest: newest[what] },
      );
    }
  }
  if (!holds) lapse('lapsed-evidence', 'What is on record no longer passes every stage.');
  const about = { by: release.by, at: release.at };
  if (reasons.length) return { ...about, state: 'lapsed', reasons };
  const text = `Released by ${release.by} against ${stands.limit.document} rev ${stands.limit.revision}.`;
  return { ...about, state: 'released', reasons: [reason('released', 'good', text)] };
}
