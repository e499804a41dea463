import type { JobAbout } from '../floor';
import { cutStock, type CutDemand, type CutPlan, type CutReel } from './cutStock';
import type { PartStock, StockKind } from './stockOf';

/* What a plan takes out of drawers and off reels. */

/** How a reel is called that needs no name. */
const ONLY_REEL = 'the reel';

/** What of one part is needed for what, against what is there. */
export interface PartNeed {
  readonly kind: Exclude<StockKind, 'wire'>;
  readonly part: string;
  /** Pieces that stay, samples, pieces pulled, ends made again. */
  readonly pieces: number;
  readonly samples: number;
  readonly checks: number;
  readonly rework: number;
  readonly total: number;
  /** Null where nobody has counted it. */
  readonly have: number | null;
  readonly short: number;
  /** When what is missing is there; null where nothing is on its way, or not enough. */
  readonly arrives: string | null;
  readonly jobs: readonly string[];
}

/** Wires of one part that are cut for a plan. */
export interface WireToCut {
  readonly list: string;
  readonly wire: string;
  /** mm */
  readonly length: number;
  readonly quantity: number;
  /** Its list is cut: it is needed no more, and says only how long a piece is. */
  readonly isCut?: boolean;
}

export interface WireNeed {
  readonly wire: string;
  /** Wires of the lists, by list. */
  readonly lists: readonly { readonly list: string; readonly demands: readonly CutDemand[] }[];
  /** For samples, at the floor's length; for pieces that are pulled, as long as the longest wire of their list. */
  readonly samples: CutDemand;
  readonly checks: readonly CutDemand[];
  /** Those for samples and pulled pieces together. */
  readonly extra: readonly CutDemand[];
  /** mm */
  readonly total: number;
  /** Null where nobody has counted it. */
  readonly have: number | null;
  /** How it is cut from what there is; null where nobody has counted it. */
  readonly plan: CutPlan | null;
}

/** Pieces, samples, checks and rework of each terminal and each part slid on, with what is missing. */
export function pickList(jobs: readonly JobAbout[], stock: readonly PartStock[]): PartNeed[] {
  const needs = new Map<string, { kind: PartNeed['kind']; of: JobAbout[] }>();
  for (const job of jobs) {
    if (job.does !== 'crimp') continue;
    const add = (kind: PartNeed['kind'], part: string) => {
      const need = needs.get(`${kind}/${part}`) ?? { kind, of: [] };
      need.of.push(job);
      needs.set(`${kind}/${part}`, need);
    };
    add('terminal', job.terminal);
    for (const part of job.slidOn) add('covering', part);
  }
  return [...needs].map(([key, { kind, of }]) => {
    const part = key.slice(kind.length + 1);
    const sum = (value: (job: JobAbout) => number) => of.reduce((total, job) => total + value(job), 0);
    const [pieces, samples, checks, rework] = [
      sum((job) => job.pieces),
      sum((job) => job.samples),
      sum((job) => job.checks),
      sum((job) => job.rework),
    ];
    const total = pieces + samples + checks + rework;
    const own = stock.find((one) => one.kind === kind && one.part === part);
    const short = own ? Math.max(0, total - own.amount) : 0;
    let coming = 0;
    const arrives = short > 0 ? own?.expected.find(({ amount }) => (coming += amount) >= short)?.arrives : null;
    return {
      ...{ kind, part, pieces, samples, checks, rework, total, short },
      ...{ have: own?.amount ?? null, arrives: arrives ?? null, jobs: of.map(({ job }) => job) },
    };
  });
}

/**
 * Wires to cut, part by part, with how they come off reels and remnants.
 *
 * A piece that is pulled takes a wire of its list with it, as long as the longest of that part there. Ends that are made again
 * take from the spare of their wire (the house rules say how much), not from the reel.
 *
 * @param lengths of samples and of the shortest rest that is kept, mm
 */
export function cutList(
  wires: readonly WireToCut[],
  jobs: readonly JobAbout[],
  stock: readonly PartStock[],
  lengths: { readonly sample: number; readonly keep: number },
): WireNeed[] {
  const open = wires.filter(({ isCut }) => !isCut);
  const parts = [...new Set(open.map(({ wire }) => wire))].sort();
  const partsOf = ({ wire }: JobAbout) => wire.split(' + ');
  return parts.map((wire) => {
    const own = open.filter((one) => one.wire === wire);
    const lists = [...new Set(own.map(({ list }) => list))].map((list) => ({
      list,
      demands: byLength(
        own.filter((one) => one.list === list).map(({ length, quantity }) => ({ length, count: quantity })),
      ),
    }));
    // Of a list that is cut the wires of samples and of what is pulled are cut as well.
    const crimps = jobs.filter(
      (job) => job.does === 'crimp' && partsOf(job).includes(wire) && own.some(({ list }) => list === job.list),
    );
    const samples = { length: lengths.sample, count: crimps.reduce((sum, job) => sum + job.samples, 0) };
    const checks = byLength(
      crimps.map((job) => ({
        length: Math.max(lengths.sample, ...own.filter(({ list }) => list === job.list).map(({ length }) => length)),
        count: job.checks,
      })),
    );
    const extra = byLength([samples, ...checks]);
    const demands = byLength([...lists.flatMap((list) => list.demands), ...extra]);
    const there = stock.find((one) => one.kind === 'wire' && one.part === wire);
    const reels = there?.reels.map(({ reel, amount }): CutReel => ({ reel: reel ?? ONLY_REEL, length: amount }));
    return {
      ...{ wire, lists, samples, checks, extra },
      total: demands.reduce((sum, { length, count }) => sum + length * count, 0),
      have: there?.amount ?? null,
      plan: reels ? cutInTurn([...lists.map((list) => list.demands), extra], reels, lengths.keep) : null,
    };
  });
}

/**
 * Cuts all of it together where there is enough; else one list after the other as they come, so that what is due last is what is
 * missing.
 */
function cutInTurn(lists: readonly (readonly CutDemand[])[], reels: readonly CutReel[], keep: number): CutPlan {
  const together = cutStock(lists.flat(), reels, keep);
  if (!together.missing.length) return together;
  const rests = new Map(reels.map(({ reel, length }) => [reel, length]));
  const cuts = new Map<string, CutDemand[]>();
  const missing: CutDemand[] = [];
  for (const demands of lists) {
    const plan = cutStock(
      demands,
      [...rests].map(([reel, length]) => ({ reel, length })),
      0,
    );
    missing.push(...plan.missing);
    for (const one of plan.reels) {
      rests.set(one.reel, one.rest);
      cuts.set(one.reel, [...(cuts.get(one.reel) ?? []), ...one.cuts]);
    }
  }
  const cut = reels.flatMap((reel): CutPlan['reels'] => {
    const own = cuts.get(reel.reel);
    const rest = rests.get(reel.reel) ?? 0;
    return own ? [{ ...reel, cuts: byLength(own), rest, isScrap: rest > 0 && rest < keep }] : [];
  });
  const scrap = cut.reduce((sum, { rest, isScrap }) => sum + (isScrap ? rest : 0), 0);
  return { reels: cut, missing: byLength(missing), scrap, leastScrap: null };
}

/** Like lengths together, the longest first. */
function byLength(demands: readonly CutDemand[]): CutDemand[] {
  const counts = new Map<number, number>();
  for (const { length, count } of demands) if (count > 0) counts.set(length, (counts.get(length) ?? 0) + count);
  return [...counts].map(([length, count]) => ({ length, count })).sort((a, b) => b.length - a.length);
}

/** What cutting takes off each reel, mm. A reel without a name is the only one of its part. */
export function cutMoves(
  needs: readonly WireNeed[],
): { readonly wire: string; readonly reel: string | null; readonly amount: number }[] {
  return needs.flatMap(({ wire, plan }) =>
    (plan?.reels ?? []).map(({ reel, cuts }) => ({
      ...{ wire, reel: reel === ONLY_REEL ? null : reel },
      amount: cuts.reduce((sum, { length, count }) => sum + length * count, 0),
    })),
  );
}
