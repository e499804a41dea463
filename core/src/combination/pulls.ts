import type { End } from '../terminal';
import type { LimitFound } from '../tug';
import type { SetUp, WireSetUp } from './computeSetUp';

/** One pull of a piece: a wire against its terminal, or of a splice the wires of both ends against each other. */
export interface PullSetUp {
  /** Counts the pulls of one piece from 1. */
  readonly number: number;
  /** Where its wires stand among those of the set-up. */
  readonly at: readonly number[];
  readonly wires: readonly WireSetUp[];
  /** N; where the thinner of its wires breaks. */
  readonly breaks: number;
  /** What a pull made now is judged by while nobody has said which end failed, and what those on record stand on. */
  readonly limit: LimitFound;
  readonly standing: LimitFound;
}

/**
 * What is pulled of each piece. Every wire in a barrel is pulled by itself against the terminal. A splice is pulled as one piece: its
 * first wire of one end against the first of the other, and so on; where one end has fewer wires, the last of them again.
 */
export function pullsOf(wires: readonly WireSetUp[]): PullSetUp[] {
  const places = wires.map((own, at) => ({ own, at }));
  const [first, second] = ([1, 2] as const).map((end) => places.filter(({ own }) => own.end === end));
  const count = Math.max(first?.length ?? 0, second?.length ?? 0);
  return Array.from({ length: count }, (_, i): PullSetUp => {
    const pulled = [first ?? [], second ?? []].flatMap((end) => end[i] ?? end.at(-1) ?? []);
    const own = pulled.map((each) => each.own);
    return {
      number: i + 1,
      at: pulled.map(({ at }) => at),
      wires: own,
      breaks: Math.min(...own.map(({ breaks }) => breaks)),
      limit: weakest(own.map(({ limit }) => limit)),
      standing: weakest(own.map(({ standing }) => standing)),
    };
  });
}

/**
 * What a pull is judged by. A splice is as good as its weaker end: the end that failed is judged by its own wire's limit, and the other
 * has borne as much. Until somebody has said which one failed, the lower of the two limits stands.
 *
 * @param found the limit of each wire of the set-up, in their order
 * @param failed the end that failed; null where it is not said, or there is one alone
 */
export function pullLimit(
  { at, wires }: Pick<PullSetUp, 'at' | 'wires'>,
  found: readonly LimitFound[],
  failed: End | null = null,
): LimitFound | undefined {
  const own = at.flatMap((index, i) => {
    const limit = found[index];
    return limit ? [{ end: wires[i]?.end, limit }] : [];
  });
  const named = own.find(({ end }) => end === failed)?.limit;
  return named ?? (own.length ? weakest(own.map(({ limit }) => limit)) : undefined);
}

/** The lowest of several limits; where one is missing, that one, since nothing can be judged without it. */
function weakest(found: readonly LimitFound[]): LimitFound {
  return found.reduce((low, next) => {
    if (!low.limit || !next.limit) return low.limit ? next : low;
    return next.limit.force < low.limit.force ? next : low;
  });
}

/**
 * What a pull is called where a piece has several.
 * @example 'wire 2, 0.75 mm² green', 'pull 2, 0.5 mm² red against 1 mm² blue'
 */
export function pullName({ number, wires }: PullSetUp, { other }: Pick<SetUp, 'other'>): string {
  const labels = wires.map(({ wire }) => wire.label).join(' against ');
  return `${other ? 'pull' : 'wire'} ${number}, ${labels}`;
}
