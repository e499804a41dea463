/** What can be counted: wire in mm by the reel, all else in pieces. */
export const STOCK_KINDS = ['wire', 'terminal', 'covering'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];
export const STOCK_DEEDS = ['counted', 'received', 'drawn', 'expected', 'called-off'] as const;
export type StockDeed = (typeof STOCK_DEEDS)[number];

/** Something that was done to the stock, or is to come. */
export interface StockMove {
  readonly id: string;
  /** ISO instant. */
  readonly at: string;
  readonly kind: StockKind;
  readonly part: string;
  /** The reel, the bag, the drawer; null where there is but one place. */
  readonly reel: string | null;
  readonly what: StockDeed;
  /** mm of wire, pieces of all else; of a count what is there, else what comes or goes. */
  readonly amount: number;
  /** Of something expected: when, by the shop's clocks. */
  readonly arrives: string | null;
  /** Of something received or called off: the expected one that it was. */
  readonly settles: string | null;
}

export interface ReelStock {
  readonly reel: string | null;
  /** mm or pieces; never below nothing. */
  readonly amount: number;
  /** When it was last counted; null: never, only what came and went is known. */
  readonly countedAt: string | null;
}

export interface PartStock {
  readonly kind: StockKind;
  readonly part: string;
  readonly amount: number;
  readonly reels: readonly ReelStock[];
  readonly expected: readonly { readonly id: string; readonly arrives: string; readonly amount: number }[];
  /** What cannot be, with what to do. */
  readonly faults: readonly string[];
  /** What was drawn of it, on average a day, over the last 90 days or as long as it is known; 0 where nothing was. */
  readonly aDay: number;
  /** Days that rests on. */
  readonly days: number;
}

/** Days the use of a part is looked at for. */
export const USE_DAYS = 90;
const DAY = 86_400_000;

/**
 * What is there of each part, from what was counted, received and drawn, in the order of time. A count settles all that was before
 * it on its reel.
 * @param now ISO instant the use is looked at from
 */
export function stockOf(moves: readonly StockMove[], now: string): PartStock[] {
  const parts = new Map<string, StockMove[]>();
  for (const move of moves.toSorted((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0)))
    parts.set(`${move.kind}/${move.part}`, [...(parts.get(`${move.kind}/${move.part}`) ?? []), move]);
  return [...parts.values()].flatMap((own) => {
    const [first] = own;
    if (!first) return [];
    const reels = new Map<string | null, { amount: number; countedAt: string | null }>();
    const settled = new Set(own.flatMap(({ settles }) => settles ?? []));
    const faults: string[] = [];
    const days = Math.min(USE_DAYS, Math.max(1, (Date.parse(now) - Date.parse(first.at)) / DAY));
    let drawn = 0;
    for (const { what, reel, amount, at } of own) {
      const known = reels.get(reel) ?? { amount: 0, countedAt: null };
      if (what === 'counted') reels.set(reel, { amount, countedAt: at });
      else if (what === 'received') reels.set(reel, { ...known, amount: known.amount + amount });
      else if (what === 'drawn') {
        if (Date.parse(now) - Date.parse(at) <= USE_DAYS * DAY) drawn += amount;
        reels.set(reel, { ...known, amount: known.amount - amount });
      }
    }
    for (const [reel, { amount }] of reels)
      if (amount < -1e-9)
        faults.push(
          `${first.part}${reel === null ? '' : ` on ${reel}`}: more was drawn than there was (${showAmount(first.kind, -amount)} too much). Count it again.`,
        );
    const kept = [...reels].map(([reel, { amount, countedAt }]) => ({ reel, amount: Math.max(0, amount), countedAt }));
    return [
      {
        ...{ kind: first.kind, part: first.part, faults, days, aDay: drawn / days },
        amount: kept.reduce((sum, { amount }) => sum + amount, 0),
        reels: kept.filter(({ amount }) => amount > 0),
        expected: own
          .filter(({ what, id }) => what === 'expected' && !settled.has(id))
          .map(({ id, arrives, amount }) => ({ id, arrives: arrives ?? '', amount }))
          .sort((a, b) => (a.arrives < b.arrives ? -1 : 1)),
      },
    ];
  });
}

/** '12.5 m' of wire, '120' of all else. */
export function showAmount(kind: StockKind, amount: number): string {
  if (kind !== 'wire') return String(Math.round(amount));
  return amount >= 1000 ? `${Number((amount / 1000).toFixed(2))} m` : `${Math.round(amount)} mm`;
}

/** What should be ordered, and when what is there runs out. */
export interface Reorder {
  /** Days what is there lasts; null where nothing is used. */
  readonly lasts: number | null;
  /** Least that has to be there when it is ordered: use over the lead time and the reserve. */
  readonly point: number;
  readonly isDue: boolean;
}

/**
 * When to order again: use over lead time plus reserve, against what is there and on its way.
 * @param lead days from order to arrival
 * @param reserve further days that what is there has to last
 */
export function reorder(
  { amount, expected, aDay }: Pick<PartStock, 'amount' | 'expected' | 'aDay'>,
  lead: number,
  reserve: number,
): Reorder {
  const point = aDay * (lead + reserve);
  const coming = expected.reduce((sum, one) => sum + one.amount, 0);
  return { lasts: aDay > 0 ? amount / aDay : null, point, isDue: aDay > 0 && amount + coming <= point };
}
