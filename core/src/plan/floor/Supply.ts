/** What there is of a part, and what is to come. */
export interface PartSupply {
  readonly have: number;
  /** In the order in which it comes; moments of the shop's clocks. */
  readonly expected: readonly { readonly arrives: string; readonly amount: number }[];
}
/** Null where nobody has counted a part. */
export type SupplyOf = (part: string) => PartSupply | null;

export interface Portion {
  readonly pieces: number;
  /** When what it takes is there; null: it is. */
  readonly arrives: string | null;
}

interface Supplied {
  readonly portions: readonly Portion[];
  /** What is missing and what to do; null where nothing is. */
  readonly short: string | null;
  readonly notes: readonly string[];
}

/**
 * Whether something expected should have come: it may at any hour of its day, and once that is over nobody knows when it will.
 * @param arrives moment of the shop's clocks
 * @param today of the shop, as an ISO date
 */
export const isOverdue = (arrives: string, today: string): boolean => arrives.slice(0, today.length) < today;

/** What is there at one moment and not before; null: now. */
interface Source {
  readonly arrives: string | null;
  amount: number;
}

/** The drawers while work is given out: what one job takes is not there for the next. */
export class Supply {
  private readonly left = new Map<string, readonly Source[] | null>();

  /** @param today of the shop, as an ISO date: nothing is planned on what should have come before it */
  constructor(
    private readonly supplyOf: SupplyOf,
    private readonly today: string,
  ) {}

  private of(part: string): readonly Source[] | null {
    const known = this.left.get(part);
    if (known !== undefined) return known;
    const supply = this.supplyOf(part);
    const made = supply && [{ arrives: null, amount: supply.have }, ...this.coming(supply)];
    this.left.set(part, made);
    return made;
  }

  private coming({ expected }: PartSupply): Source[] {
    return expected.filter(({ arrives }) => !isOverdue(arrives, this.today)).map((one) => ({ ...one }));
  }

  /** What is missing and what to do, of some pieces that cannot be made. */
  private tellShort(part: string, what: string, missing: number): string {
    const overdue = this.supplyOf(part)?.expected.filter(({ arrives }) => isOverdue(arrives, this.today)) ?? [];
    const [first] = overdue;
    const many = sumOf(overdue);
    return first
      ? `${what} cannot be made: ${missing} of ${part} are missing, and ${many} that should have come ${told(first.arrives)} are not on record. Put on record that they came, or call them off and write down when they will.`
      : `${what} cannot be made: ${missing} of ${part} are missing and none are on their way. Order them, or count the drawer again.`;
  }

  /**
   * Takes what `pieces` need with samples, checks and rework; as many of them as there is enough for now, then what arrives. What is
   * left of a delivery is there for the next job no sooner than it comes.
   * @param pulls pieces a lot of so many loses to its checks
   */
  take(part: string, pieces: number, samples: number, rework: number, pulls: (pieces: number) => number): Supplied {
    const sources = this.of(part);
    if (!sources) return { portions: [{ pieces, arrives: null }], short: null, notes: [] };
    const needs = (count: number) => (count > 0 ? Math.ceil(count * (1 + rework)) + samples + pulls(count) : 0);
    const available = sumOf(sources);
    const portions: Portion[] = [];
    let open = pieces;
    for (const [i, { arrives }] of sources.entries()) {
      if (!open) break;
      const come = sources.slice(0, i + 1);
      const have = sumOf(come);
      // Samples are made once.
      const cost = (count: number) => needs(count) - (portions.length ? samples : 0);
      let count = Math.min(open, Math.floor(have));
      while (count > 0 && cost(count) > have) count--;
      if (count < 1) continue;
      use(come, cost(count));
      open -= count;
      portions.push({ pieces: count, arrives });
    }
    const notes = portions.flatMap(({ pieces: count, arrives }) =>
      arrives === null ? [] : [`${count} wait for ${part}, which arrives ${told(arrives)}.`],
    );
    const short = open ? this.tellShort(part, `${open} of ${pieces}`, Math.max(1, needs(pieces) - available)) : null;
    return { portions, short, notes };
  }
}

/** A moment of the shop's clocks as people read it. */
const told = (moment: string): string => moment.replace('T', ' ');
const sumOf = (sources: readonly Pick<Source, 'amount'>[]): number =>
  sources.reduce((sum, { amount }) => sum + amount, 0);

/** Takes an amount of what has come, the first of it first. */
function use(come: readonly Source[], amount: number): void {
  let open = amount;
  for (const source of come) {
    const own = Math.min(source.amount, open);
    source.amount -= own;
    open -= own;
  }
}
