import type { Judgement, SetUp, Stage } from '../combination';
import { entriesOf, ofCurrentRun, type Entry } from '../entry';
import { gateKey } from '../crimp';
import type { LotVerdict } from './judgeLot';
import { lotTask, type LotTask, type LotTaskCode } from './lotTask';

export const BENCH_STATES = ['to-set-up', 'held', 'rejected', 'to-release', 'to-make', 'through'] as const;
/**
 * Where a combination stands in the work, each in one place: still to be set up, held (a lot with suspect pieces, or a release
 * that lapsed), rejected in its set-up, proved and waiting for quality, released and to be made, or through with its lot.
 */
export type BenchState = (typeof BENCH_STATES)[number];

/** Tasks of a lot where no number says more. */
const IN_WORDS: Readonly<Record<LotTaskCode, string>> = {
  bracket: 'Pull a piece',
  check: 'Check a piece',
  make: 'Go on making',
  stop: 'Say what was put right',
  'set-up': 'Set up again with the other tool',
  resume: 'Resume the lot',
  finish: 'Finish the lot',
  decide: 'See what is open',
  finished: 'See the lot',
};

/** What is done next for a combination: in a few words, with the stage it is done in. */
export interface BenchStep {
  readonly state: BenchState;
  readonly to: Stage | 'release' | 'lot';
  /** E.g. 'Check FI-05'; without a full stop, to stand in a list. */
  readonly text: string;
}

/**
 * Where a combination stands and what comes next: the one answer that list, headline and ladder go by.
 *
 * @param journal entries of the set-up and at least its newest lot
 * @param lot the newest lot; null before the first
 */
export function benchStep(
  setUp: SetUp,
  judgement: Judgement,
  journal: readonly Entry[],
  lot: LotVerdict | null,
): BenchStep {
  const { release, verdict } = judgement;
  // A changed tool opens the set-up again; once it is released, the lot goes on.
  const isReopened = lot !== null && lot.head.awaitsSetUp !== null && lotTask(lot).code === 'set-up';
  if (lot?.verdict === 'held') return { state: 'held', to: 'lot', text: lotStep(lot, lotTask(lot)) };
  if (isReopened && entriesOf(ofCurrentRun(journal), 'release').length)
    return { state: 'to-set-up', to: 'release', text: IN_WORDS['set-up'] };
  if (lot?.head.state === 'finished') return { state: 'through', to: 'lot', text: lotStep(lot, lotTask(lot)) };
  if (release.state === 'lapsed') return { state: 'held', to: 'release', text: 'Prove it again: the release lapsed' };
  if (verdict === 'rejected') {
    const [first] = judgement.holding;
    return { state: 'rejected', to: first?.stage ?? 'match', text: `Failed in ${first?.stage ?? 'match'}` };
  }
  if (lot && !isReopened) return { state: 'to-make', to: 'lot', text: lotStep(lot, lotTask(lot)) };
  if (release.state === 'released') return { state: 'to-make', to: 'lot', text: 'Open a lot' };
  if (verdict !== 'open') return { state: 'to-release', to: 'release', text: 'Release the set-up' };
  // What is met for the first time is read from the beginning.
  if (!ofCurrentRun(journal).length) return { state: 'to-set-up', to: 'match', text: firstStep(setUp) };
  const stage = judgement.holding[0]?.stage ?? 'match';
  return { state: 'to-set-up', to: stage, text: setUpStep(stage, setUp, judgement, journal) };
}

function firstStep({ toolChoice: { chosen } }: SetUp): string {
  return chosen ? `Begin with ${chosen.tool.part}` : 'Begin the set-up';
}

/** The lot's task in a few words; of a held one what holds it, where no piece is to be pulled. */
function lotStep({ verdict, reasons }: LotVerdict, { code, piece, upTo }: LotTask): string {
  if (piece !== null) return `${code === 'bracket' ? 'Pull' : 'Check'} piece ${piece}`;
  if (verdict === 'held' && code !== 'stop')
    return reasons.some((r) => r.code === 'at-quality') ? 'Ask quality' : 'Decide about the held pieces';
  return upTo === null ? IN_WORDS[code] : `Make up to piece ${upTo}`;
}

function setUpStep(stage: Stage, setUp: SetUp, judgement: Judgement, journal: readonly Entry[]): string {
  const entries = ofCurrentRun(journal);
  switch (stage) {
    case 'match':
      return 'Settle the match';
    case 'prepare':
      return 'Measure the strip';
    case 'tool': {
      const { chosen } = setUp.toolChoice;
      if (!chosen) return 'Find a tool';
      const does = chosen.state.state === 'ready' ? 'Take' : chosen.mounted ? 'Check' : 'Mount';
      return `${does} ${chosen.tool.part}${chosen.tool.dies.length > 1 ? `, die ${chosen.die.id}` : ''}`;
    }
    case 'crimp': {
      const answered = entriesOf(entries, 'gate').map(({ body }) => gateKey(body));
      const open = setUp.gates.filter((g) => !answered.includes(g.key));
      return open.length && open.length < setUp.gates.length
        ? `Go on at step ${setUp.gates.length - open.length + 1}`
        : 'Crimp the first piece';
    }
    case 'look': {
      const open = judgement.look.pieces.findIndex((p) => p === 'open');
      return open < 0 ? 'Look at the pieces' : `Look at piece ${open + 1}`;
    }
    case 'tug': {
      const pulled = new Set(entriesOf(entries, 'reading').map((e) => e.body.piece));
      const open = judgement.look.pieces.findIndex((_, i) => !pulled.has(i + 1));
      return setUp.standing.limit === null
        ? 'No limit applies'
        : open < 0
          ? 'Look at the pulls'
          : `Pull piece ${open + 1}`;
    }
  }
}
