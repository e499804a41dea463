import type { LookSheet } from '../look';
import { judgeFit, NO_DEMAND } from '../match';
import type { Practice } from '../practice';
import { chooseNotch, type Stripper } from '../prepare';
import { familyName, type Terminal } from '../terminal';
import { counted, named } from '../text';
import type { Tool, ToolCheck } from '../tool';
import { limitSizes, type LimitTable } from '../tug';
import { sizeLabel, type Wire } from '../wire';
import { whyUnqualified, type Qualified } from './qualified';

/** What a shop needs before its first judged pull, in the order in which each rests on those before. */
export const FIRST_STEPS = [
  'rules',
  'wire',
  'terminal',
  'tool',
  'stripper',
  'limits',
  'points',
  'people',
  'list',
] as const;
export type FirstStepCode = (typeof FIRST_STEPS)[number];

/** What the shop has, as far as its first day goes. */
export interface ShopStock {
  readonly practices: readonly Practice[];
  readonly wires: readonly Wire[];
  readonly terminals: readonly Terminal[];
  readonly tools: readonly Tool[];
  readonly checks: readonly ToolCheck[];
  readonly strippers: readonly Stripper[];
  readonly limits: readonly LimitTable[];
  readonly looks: readonly LookSheet[];
  /** Accounts in use. */
  readonly people: readonly (Qualified & { readonly roles: readonly string[] })[];
  /** ISO date, the shop's. */
  readonly today: string;
  /** Grades of work the shop makes; empty where it names none. */
  readonly grades: readonly string[];
  /** How many wire lists were brought in. */
  readonly lists: number;
}

export interface FirstStep {
  readonly code: FirstStepCode;
  readonly title: string;
  /** 'begun': something is there and something more is needed. */
  readonly state: 'open' | 'begun' | 'done';
  /** What is there, or what it is for. */
  readonly said: string;
  /** What it costs to go on without; null where nothing goes on without. */
  readonly without: string | null;
}

/** The steps of a first day, which is next, and what a shop that has them all still lacks. */
export interface FirstDay {
  readonly steps: readonly FirstStep[];
  /** The first step nothing is there for, else the first that is only begun; null when all are done. */
  readonly next: FirstStepCode | null;
  readonly lacks: readonly string[];
}

interface Step {
  readonly title: string;
  readonly forWhat: string;
  readonly without: string | null;
  /** What is there; null while nothing is. */
  readonly has: (stock: ShopStock) => string | null;
  /** What is still needed of it; null when it is whole. */
  readonly needs?: (stock: ShopStock) => string | null;
}

const firstOf = (all: readonly { readonly part: string }[]): string | null =>
  all.length
    ? named(
        all.map(({ part }) => part),
        1,
      )
    : null;
const released = <T extends { readonly status: string }>(all: readonly T[]) =>
  all.filter(({ status }) => status === 'released');

/** Whether a terminal goes with one of the shop's wires. */
function hasPair({ terminals, wires, practices: [practice] }: ShopStock): boolean {
  const use = { ...NO_DEMAND, place: 'dry' as const };
  return terminals.some(
    (terminal) => practice && wires.some((wire) => judgeFit(terminal, [wire], use, practice).verdict !== 'no'),
  );
}

const accounts = (count: number) => (count === 1 ? '1 account' : `${count} accounts`);

/** Roles that a judged and released set-up takes and nobody holds. */
const missingRoles = (people: ShopStock['people']): string[] =>
  ['technician', 'quality'].filter((role) => !people.some(({ roles }) => roles.includes(role)));

const STEPS: Readonly<Record<FirstStepCode, Step>> = {
  rules: {
    title: 'House rules',
    forWhat: 'Strip lengths, tools and verdicts follow from them.',
    without: null,
    has: ({ practices }) => firstOf(practices),
  },
  wire: {
    title: 'A wire',
    forWhat: 'Its strands give the metal, its insulation the grip and the notch.',
    without: null,
    has: ({ wires }) => firstOf(wires),
  },
  terminal: {
    title: 'A terminal',
    forWhat: 'Its sheet gives the range, the barrel and the way round.',
    without: null,
    has: ({ terminals }) => firstOf(terminals),
    needs: (stock) =>
      stock.wires.length && stock.practices.length && !hasPair(stock) ? 'none of them takes a wire of this shop' : null,
  },
  tool: {
    title: 'A tool with its die',
    forWhat: 'Which nest makes the terminal, and the mark it leaves.',
    without: null,
    has: ({ tools }) => firstOf(tools),
    needs: ({ tools, terminals }) =>
      terminals.length && !terminals.some(({ part }) => makes(tools, part))
        ? 'no nest lists a terminal of this shop'
        : null,
  },
  stripper: {
    title: 'A stripper',
    forWhat: 'Its notches and its stop, so that a strip length can be set.',
    without: 'No notch is named, and no length can be rounded to what the stop can do.',
    has: ({ strippers }) => firstOf(strippers),
  },
  limits: {
    title: 'A limit table',
    forWhat: 'The least force, copied from a controlled document.',
    without: 'Pulls are recorded, not judged.',
    has: ({ limits }) => released(limits)[0]?.document ?? limits[0]?.document ?? null,
    needs: ({ limits }) => (released(limits).length ? null : 'the draft waits for quality to release it'),
  },
  points: {
    title: 'Inspection points',
    forWhat: 'What eye and caliper go by.',
    without: 'Pieces are looked at for the points that come with Tug Mark, by eye alone.',
    has: ({ looks }) => released(looks)[0]?.document ?? looks[0]?.document ?? null,
    needs: ({ looks }) => (released(looks).length ? null : 'the draft waits for quality to release it'),
  },
  people: {
    title: 'People',
    forWhat: 'A technician makes and records; quality releases. One person may be both.',
    without: null,
    has: ({ people }) =>
      people.some(({ roles }) => roles.some((role) => role !== 'engineer')) ? accounts(people.length) : null,
    needs: ({ people }) => {
      const missing = missingRoles(people);
      return missing.length ? `nobody is ${missing.join(' or ')} yet` : null;
    },
  },
  list: {
    title: 'A wire list',
    forWhat: 'Its wires and ends become what is set up and made.',
    without: null,
    has: ({ lists }) => (lists ? counted(lists, 'list') : null),
  },
};

const makes = (tools: readonly Tool[], part: string): boolean =>
  tools.some(({ dies }) => dies.some(({ nests }) => nests.some(({ terminals }) => terminals.includes(part))));

/** What a shop that works still lacks: each with whom it stops. */
function lacksOf(stock: ShopStock): string[] {
  const { tools, checks, terminals, wires, strippers, limits, people, today, grades } = stock;
  const lacks: string[] = [];
  const tell = (parts: readonly string[], text: string) => {
    if (parts.length) lacks.push(`${named(parts)}: ${text}`);
  };
  tell(
    tools.filter(({ part }) => !checks.some(({ tool }) => tool === part)).map(({ part }) => part),
    'never checked, so nothing can be made with it.',
  );
  tell(
    terminals.filter(({ part }) => !makes(tools, part)).map(({ part }) => part),
    'no nest of a tool lists it.',
  );
  tell(
    wires
      .filter((wire) => wire.conductor.kind === 'stranded' && strippers.length > 0 && !hasNotch(wire, strippers))
      .map(({ part }) => part),
    'no stripper of the shop is listed for its insulation with a notch of its size.',
  );
  const makers = people.filter(({ roles }) => roles.includes('technician') || roles.includes('quality'));
  const families = [...new Set(terminals.map(({ family }) => family))];
  tell(
    makers.length
      ? families.filter((f) => makers.every((who) => whyUnqualified(who, f, today) !== null)).map(familyName)
      : [],
    'nobody is qualified for it, so nothing of it can be put on record.',
  );
  tell(
    limits.length ? grades.filter((grade) => !released(limits).some((table) => table.class === grade)) : [],
    'no limit table of this grade is released: its pulls are recorded, not judged.',
  );
  const sizes = released(limits).flatMap(({ rows }) => rows.map(({ size }) => `${size.scale}/${size.value}`));
  if (sizes.length) {
    tell(
      limitSizes(wires)
        .filter((size) => !sizes.includes(`${size.scale}/${size.value}`))
        .map(sizeLabel),
      'no row of a released limit table is for it: its pulls are recorded, not judged, where no row may be interpolated.',
    );
  }
  return lacks;
}

const hasNotch = (wire: Wire, strippers: readonly Stripper[]): boolean =>
  strippers.some((stripper) => chooseNotch(stripper, wire).notch !== null);

/** What is done next of some steps: what waits for somebody else keeps nobody from the step after it. */
export function nextOf(steps: readonly FirstStep[]): FirstStepCode | null {
  const left = steps.filter(({ state }) => state !== 'done');
  return (left.find(({ state }) => state === 'open') ?? left[0])?.code ?? null;
}

/**
 * A shop's first day: each step with what is there, what it is for and what it costs to go on without; and what a shop that
 * has all of them still lacks.
 */
export function firstDay(stock: ShopStock): FirstDay {
  const steps = FIRST_STEPS.map((code): FirstStep => {
    const { title, forWhat, without, has, needs } = STEPS[code];
    const found = has(stock);
    const needed = found === null ? null : (needs?.(stock) ?? null);
    return {
      ...{ code, title, without },
      state: found === null ? 'open' : needed === null ? 'done' : 'begun',
      said: found === null ? forWhat : needed === null ? found : `${found}: ${needed}`,
    };
  });
  return { steps, next: nextOf(steps), lacks: lacksOf(stock) };
}
