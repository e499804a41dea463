import { judgeLook, type LookVerdict } from '../look';
import { asOf, checkPassed, judgeTool, recordsOf } from '../tool';
import type { Practice } from '../practice';
import { showRange } from '../units';
import type { GroupVerdict } from '../tug';
import { reason, type Reason } from '../verdict';
import { gateKey } from '../crimp';
import { capital } from '../text';
import type { SetUp, SetUpContext, WireSetUp } from './computeSetUp';
import { entriesOf, type Entry, ofCurrentRun } from '../entry';
import { judgeStrips } from './judgeStrips';
import { judgeTug } from './judgeTug';
import { lookEvidence } from './lookEvidence';
import { wireName } from './wireName';
import { judgeRelease, type ReleaseVerdict } from './judgeRelease';

export const STAGES = ['match', 'prepare', 'tool', 'crimp', 'look', 'tug'] as const;
export type Stage = (typeof STAGES)[number];

/** Pass, fail or missing; 'hold' where a person has to decide. */
export type StageState = 'pass' | 'hold' | 'fail' | 'missing';

export interface StageVerdict {
  readonly stage: Stage;
  readonly state: StageState;
  /** The stage's short answer, one line. */
  readonly answer: string;
  readonly reasons: readonly Reason[];
}

export interface Judgement {
  /**
   * 'accepted' needs every stage passed and a controlled limit table; 'meets-made-up-limits' is the same against demo
   * limits, which release nothing; 'rejected' when any stage failed; else 'open'.
   */
  readonly verdict: 'accepted' | 'meets-made-up-limits' | 'rejected' | 'open';
  readonly headline: string;
  readonly stages: readonly StageVerdict[];
  /** What holds it back, worst first. */
  readonly holding: readonly { readonly stage: Stage; readonly text: string }[];
  readonly look: LookVerdict;
  /** Of each wire in the barrel; empty where no limit applies. */
  readonly groups: readonly GroupVerdict[];
  readonly release: ReleaseVerdict;
}

/**
 * Judges a combination from its set-up and journal. Every stage is its own evidence: accepted only when none fails
 * and none is missing, and the answer names which one holds it back. A passing pull never hides a reject in look.
 *
 * @param now ISO instant, for the tool's state
 */
export function judgeCombination(
  setUp: SetUp,
  journal: readonly Entry[],
  context: Pick<SetUpContext, 'practice' | 'tools' | 'checks' | 'returns' | 'revisions' | 'newest' | 'zone'>,
  now: string,
): Judgement {
  const { practice } = context;
  const entries = ofCurrentRun(journal);
  const look = judgeLook(setUp.criteria, {
    ...lookEvidence(entries),
    count: practice.setUpPieces,
    measured: practice.measuredPieces,
  });
  const { groups, verdict: tug } = judgeTug(setUp, entries, practice);
  const stages: StageVerdict[] = [
    judgeMatch(setUp, entries),
    judgePrepare(setUp, entries, practice),
    judgeToolStage(setUp, entries, context, now),
    judgeCrimp(setUp, entries),
    judgeLookStage(setUp, look, practice),
    tug,
  ];
  const order: StageState[] = ['fail', 'hold', 'missing'];
  const holding = order.flatMap((state) =>
    stages
      .filter((s) => s.state === state)
      .map((s) => ({
        stage: s.stage,
        text:
          s.reasons.find((r) => r.weight === 'bad')?.text ??
          s.reasons.find((r) => r.weight === 'hold')?.text ??
          s.answer,
      })),
  );
  const failed = stages.some((s) => s.state === 'fail');
  const complete = stages.every((s) => s.state === 'pass');
  const madeUp = setUp.standing.limit?.table.origin === 'made-up';
  const verdict = failed ? 'rejected' : !complete ? 'open' : madeUp ? 'meets-made-up-limits' : 'accepted';
  const first = holding[0];
  const headline = {
    accepted: 'Accepted: every stage has passed.',
    'meets-made-up-limits': 'Every stage has passed, against made-up limits. They release nothing for real use.',
    rejected: `Rejected in ${first?.stage}: ${first?.text}`,
    open: `Held back by ${first?.stage}: ${first?.text}`,
  }[verdict];
  const release = judgeRelease(setUp, entries, context.revisions, context.newest, complete);
  return { verdict, headline, stages, holding, look, groups, release };
}

function judgeMatch({ fit }: SetUp, entries: readonly Entry[]): StageVerdict {
  const trial = entriesOf(entries, 'trial').at(-1);
  if (fit.verdict === 'edge' && trial) {
    const settled = reason('trial-evidence', 'good', `Trial evidence by ${trial.by}: ${trial.body.evidence}.`);
    const reasons = fit.reasons.map((r) => (r.weight === 'hold' ? { ...r, weight: 'note' as const } : r));
    return {
      stage: 'match',
      state: 'pass',
      answer: `At the edge, settled. ${settled.text}`,
      reasons: [settled, ...reasons],
    };
  }
  const lead =
    fit.reasons.find((r) => r.weight === 'bad') ?? fit.reasons.find((r) => r.weight === 'hold') ?? fit.reasons[0];
  const word = { fits: 'Fits.', edge: 'At the edge: trial evidence is needed.', no: 'No.' }[fit.verdict];
  return {
    stage: 'match',
    state: ({ fits: 'pass', edge: 'hold', no: 'fail' } as const)[fit.verdict],
    answer: `${word} ${lead?.text ?? ''}`,
    reasons: fit.reasons,
  };
}

function judgePrepare({ preparation, wires }: SetUp, entries: readonly Entry[], practice: Practice): StageVerdict {
  if (!preparation) {
    const none = reason('no-stripper', 'bad', 'The shop has no stripper on record.');
    return { stage: 'prepare', state: 'fail', answer: none.text, reasons: [none] };
  }
  const { strip, notch } = preparation;
  const measured = judgeStrips(wires, entries, practice.measuredPieces);
  // Each wire in the barrel is stripped by itself: another insulation, another envelope, another notch.
  const others = wires.slice(1).map((each) => preparedOther(each, wires));
  const planned = [...strip.reasons, notch.reason, ...others];
  const works = strip.setPoint !== null && notch.notch !== null && !planned.some((r) => r.weight === 'bad');
  const reasons = works ? [...measured.reasons, ...planned] : planned;
  return {
    stage: 'prepare',
    state: works ? measured.state : 'fail',
    answer:
      works && strip.window
        ? `Strip ${strip.setPoint} mm (${showRange(strip.window, 1)}), notch ${notch.notch.label}.${
            strip.kind === 'positioned'
              ? ` Only with the insulation edge ${showRange(strip.position, 1, ' to ')} mm behind the barrel: check every piece.`
              : ''
          }${others.map((other) => ` ${other.text}`).join('')}`
        : (reasons.find((r) => r.weight === 'bad')?.text ?? ''),
    reasons,
  };
}

/** How another wire that shares the barrel is stripped, in one sentence, or why it cannot be. */
function preparedOther(own: WireSetUp, wires: readonly WireSetUp[]): Reason {
  const { wire, preparation } = own;
  const name = `${capital(wireName(own, wires))}, ${wire.label}`;
  const { strip, notch, stripper } = preparation ?? {};
  const bad = strip && notch && [...strip.reasons, notch.reason].find((r) => r.weight === 'bad');
  if (!strip?.window || strip.setPoint === null || !notch?.notch || !stripper || bad) {
    return reason('other-wire', 'bad', `${name}: ${bad?.text ?? 'no stripper of the shop does it.'}`);
  }
  const window = `${showRange(strip.window, 1)}`;
  return reason(
    'other-wire',
    'good',
    `${name}: strip ${strip.setPoint} mm (${window}), notch ${notch.notch.label} of ${stripper.label}.`,
    { setPoint: strip.setPoint },
  );
}

function judgeToolStage(
  setUp: SetUp,
  entries: readonly Entry[],
  shop: Pick<SetUpContext, 'tools' | 'checks' | 'returns' | 'zone'>,
  now: string,
): StageVerdict {
  const { tools } = shop;
  const taken = entriesOf(entries, 'tool').at(-1);
  if (!taken) {
    const { chosen } = setUp.toolChoice;
    if (!chosen) {
      return {
        stage: 'tool',
        state: 'fail',
        answer: setUp.toolChoice.reasons[0]?.text ?? '',
        reasons: setUp.toolChoice.reasons,
      };
    }
    const due = reason(
      'tool-not-taken',
      'hold',
      `${chosen.state.state === 'ready' ? 'Take' : chosen.mounted ? 'Check, then take' : 'Mount, check, then take'} ${chosen.tool.label}, ${chosen.die.label}, nest ${chosen.nest.label}.`,
    );
    return { stage: 'tool', state: 'missing', answer: due.text, reasons: [due, ...chosen.reasons] };
  }
  const { body, at } = taken;
  const own = recordsOf({ part: body.tool }, shop);
  // A check of another die says nothing of this one, unless the tool failed it.
  const nextCheck = own.checks
    .filter((c) => c.at > at && (c.die === null || c.die === body.die || !checkPassed(c)))
    .sort((a, b) => a.at.localeCompare(b.at))[0];
  const tool = tools.find((t) => t.part === body.tool);
  const name = tool?.label ?? body.tool;
  if (nextCheck && !checkPassed(nextCheck)) {
    const suspect = reason(
      'tool-failed-after',
      'bad',
      `${name} failed its next check, so everything made since its last good one is suspect.`,
    );
    return { stage: 'tool', state: 'fail', answer: suspect.text, reasons: [suspect] };
  }
  if (!setUp.tool) {
    const gone = reason(
      'tool-unknown',
      'bad',
      `${name} with die ${body.die}, nest ${body.nest} is not among the tools for this pair.`,
    );
    return { stage: 'tool', state: 'fail', answer: gone.text, reasons: [gone] };
  }
  // Fit for use when it was taken; the state of today matters only until the next check has answered for then.
  const then = tool ? judgeTool(tool, asOf(own, at), at, shop, setUp.tool) : null;
  const state = then && then.state !== 'ready' ? 'fail' : 'pass';
  const today = judgeTool(setUp.tool.tool, own, now, shop, setUp.tool);
  return {
    stage: 'tool',
    state,
    answer: `${name}, ${setUp.tool.die.label}, nest ${setUp.tool.nest.label}; mark ${setUp.tool.nest.mark}.`,
    reasons:
      state === 'fail' && then
        ? then.reasons
        : today.reasons.map((r) => (r.weight === 'hold' ? { ...r, weight: 'note' as const } : r)),
  };
}

function judgeCrimp(setUp: SetUp, entries: readonly Entry[]): StageVerdict {
  if (!setUp.orientation) {
    const none = setUp.tool
      ? reason('no-orientation', 'bad', 'This nest does not press this kind of barrel.')
      : reason('crimp-waits', 'hold', 'Waits for a tool.');
    return { stage: 'crimp', state: setUp.tool ? 'fail' : 'missing', answer: none.text, reasons: [none] };
  }
  const answers = new Map(entriesOf(entries, 'gate').map(({ body }) => [gateKey(body), body]));
  const refused = setUp.gates.filter((g) => answers.get(g.key)?.answer === 'no');
  const open = setUp.gates.filter((g) => !answers.has(g.key));
  const reasons = [
    ...refused.map((g) =>
      reason('gate-no', 'bad', `Answered 'not like this': ${g.headline} ${answers.get(g.key)?.note ?? ''}`.trim()),
    ),
    ...(open.length
      ? [
          reason('gates-open', 'hold', `${open.length} of ${setUp.gates.length} steps are not confirmed yet.`, {
            open: open.length,
          }),
        ]
      : []),
  ];
  if (setUp.cutOffs.count) reasons.push(reason('cut-offs', 'note', setUp.cutOffs.text, { count: setUp.cutOffs.count }));
  return {
    stage: 'crimp',
    state: refused.length ? 'fail' : open.length ? 'missing' : 'pass',
    answer: setUp.orientation.headline,
    reasons,
  };
}

function judgeLookStage(setUp: SetUp, look: LookVerdict, practice: Practice): StageVerdict {
  if (!setUp.criteria.length) {
    const waits = reason('look-waits', 'hold', 'Waits for the set-up.');
    return { stage: 'look', state: 'missing', answer: waits.text, reasons: [waits] };
  }
  const accepted = look.pieces.filter((p) => p === 'accepted').length;
  const rejected = look.pieces.filter((p) => p === 'rejected').length;
  return {
    stage: 'look',
    state: look.state,
    answer: rejected
      ? `${rejected} of ${practice.setUpPieces} rejected.`
      : accepted
        ? `${accepted} of ${practice.setUpPieces} accepted.`
        : `${practice.setUpPieces} pieces, ${setUp.criteria.length} points each.`,
    reasons: look.reasons,
  };
}
