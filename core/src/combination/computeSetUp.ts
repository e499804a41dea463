import type { DocumentKey } from '../document';
import {
  aftercare,
  forming,
  gates,
  isSetByTrial,
  judgeLocator,
  locatorRoom,
  placeBites,
  pulledWith,
  type BitePlan,
  type Forming,
  type GateStep,
  type LocatorVerdict,
  type Orientation,
  type StrokeFind,
} from '../crimp';
import { biteRoom, criteriaOfEnds, findLookSheet, type Criterion, type LookContext, type LookSheet } from '../look';
import { judgeEnds, nearestFits, type FitVerdict, type NearFit, type Use } from '../match';
import type { PartSheet } from '../part';
import type { Practice } from '../practice';
import {
  choosePreparation,
  reterminationBudget,
  wireInCrimp,
  type Preparation,
  type ReterminationBudget,
  type Stripper,
} from '../prepare';
import { isSplice, type End, type Family, type Range, type Terminal } from '../terminal';
import {
  chooseTool,
  openToolBook,
  type Barrelful,
  type Tool,
  type ToolCandidate,
  type ToolCheck,
  type ToolChoice,
  type ToolReturn,
} from '../tool';
import { findHold, findLimit, findPush, type HoldFound, type LimitFound, type LimitTable } from '../tug';
import { today } from '../time';
import { breakingLoad, type Wire } from '../wire';
import { entriesOf, type Entry, type Revisions, ofCurrentRun } from '../entry';
import { cutOffs, type CutOffs } from './cutOffs';
import { crimpHeight, crimpWidth } from './judgeStrips';
import { gateOf, makeEnds, type EndSetUp } from './ends';
import { pullsOf, type PullSetUp } from './pulls';

/** Everything a combination is computed from. */
export interface SetUpContext {
  readonly terminal: Terminal;
  readonly wire: Wire;
  /** Other wires that share the barrel. */
  readonly together: readonly Wire[];
  /** Wires at the other end of a splice; empty for parts with one end, and where the list names none. */
  readonly opposite: readonly Wire[];
  readonly use: Use;
  readonly class: string;
  readonly practice: Practice;
  readonly strippers: readonly Stripper[];
  readonly tools: readonly Tool[];
  readonly checks: readonly ToolCheck[];
  readonly returns: readonly ToolReturn[];
  readonly limits: readonly LimitTable[];
  /** Sheets that say what pieces are looked at for. */
  readonly looks: readonly LookSheet[];
  readonly cabinet: readonly Terminal[];
  /** Revisions it is set up from, and the newest ones in the cabinet. */
  readonly revisions: Revisions;
  readonly newest: Revisions;
  /** The shop's time zone: its days begin and end documents, calibrations and qualifications. */
  readonly zone: string;
}

export interface SetUp {
  /** What a person who records here has to be qualified for. */
  readonly family: Family;
  readonly releasedBy: Practice['setUpReleasedBy'];
  readonly fit: FitVerdict;
  /** Others that fit; only looked for when this one does not. */
  readonly nearest: readonly NearFit[];
  readonly preparation: Preparation | null;
  /** Wire that each crimp cut off takes with it beside the fresh cut, mm; null until there is a strip length. */
  readonly lost: { readonly strip: number; readonly crimp: number } | null;
  readonly toolChoice: ToolChoice;
  /** The tool taken on record, else the one the choice proposes. */
  readonly tool: ToolCandidate | null;
  readonly orientation: Orientation | null;
  readonly bites: BitePlan['bites'];
  /** Why there are fewer bites than were asked for. */
  readonly biteNotes: BitePlan['reasons'];
  readonly gates: readonly GateStep[];
  /** Ends of the set-up that were cut off and made again, by their reasons. */
  readonly cutOffs: CutOffs;
  /** How often an end can be cut off and made again; null until there is a strip length. */
  readonly budget: ReterminationBudget | null;
  /** How pieces are pulled, as far as the insulation grip goes; empty where it has none to speak of. */
  readonly pulledWith: string;
  /** What follows the crimp. */
  readonly after: readonly string[];
  readonly criteria: readonly Criterion[];
  /** What eye and caliper go by; null until tool and strip length are settled. */
  readonly look: LookContext | null;
  /** Sheet the pieces are looked at by: the one in effect when the tool was taken. */
  readonly lookSheet: LookSheet;
  /** Sheet in effect now, whatever the pieces were looked at by. */
  readonly lookInEffect: LookSheet;
  /** Points the pieces of each lot are looked at for, by the sheet it was opened with. */
  readonly lotCriteria: ReadonlyMap<number, readonly Criterion[]>;
  /** What measured crimp heights and widths have to lie in, mm; null where nothing says. */
  readonly measures: Readonly<Record<'height' | 'width', Range | null>>;
  /** What a pull made now is judged by. */
  readonly limit: LimitFound;
  /** What the readings on record stand on: the table the latest of them was judged by, else `limit`. */
  readonly standing: LimitFound;
  /** N */
  readonly breaks: number;
  /** What a hold test of the wire has to reach; null without a limit. */
  readonly hold: HoldFound | null;
  /** For a contact that goes into a cavity: push it has to withstand, N (null: the table names none), and its lock. */
  readonly retention: (NonNullable<Terminal['cavity']> & { readonly force: number | null }) | null;
  /** Each wire by itself, those of end 1 first: it is stripped to its own length and has its own size's limit. The first is `wire`. */
  readonly wires: readonly WireSetUp[];
  /** What is pulled of each piece: each wire in the barrel by itself, of a splice wire against wire. */
  readonly pulls: readonly PullSetUp[];
  /** What pieces of each lot are judged by, wire by wire: the table the lot was opened with. */
  readonly lots: ReadonlyMap<number, readonly LimitFound[]>;
  /** Papers of its parts, as the cabinet names them, else as they were named with the release. */
  readonly sheets: Readonly<Record<'terminal' | 'tool' | 'stripper', PartSheet | null>>;
  /** What its sheet asks of a pair put together; null for what is not plugged. */
  readonly mating: Terminal['mating'];
  /** What trial crimps came to; null where no locator is set by them. */
  readonly locator: LocatorVerdict | null;
  /** Nests its barrel is formed in one after another; null where it is pressed once. */
  readonly forming: Forming | null;
  /** The second end of a splice; null for parts with one end, and where the list names no wire there. */
  readonly other: EndSetUp | null;
}

export interface WireSetUp {
  /** The end of a splice it is in; 1 in all other parts. */
  readonly end: End;
  /** Counts the wires of its end from 1. */
  readonly number: number;
  readonly wire: Wire;
  /** Its own strip length and notch; null when the shop has no stripper. */
  readonly preparation: Preparation | null;
  readonly limit: LimitFound;
  readonly standing: LimitFound;
  /** N */
  readonly breaks: number;
}

/**
 * Climbs the ladder from match to limit for one terminal on its wires. Pure: the same context and `now` give the same
 * set-up in the browser and on the server.
 *
 * @param journal the journal so far, of which the current run counts: the tool taken decides nest, orientation and
 *   points to look at
 * @param now ISO instant
 * @param book the tools opened once, where many set-ups are computed for one moment
 */
export function computeSetUp(
  context: SetUpContext,
  journal: readonly Entry[],
  now: string,
  book = openToolBook(context.tools, context, now, context),
): SetUp {
  const { terminal, wire, together, use } = context;
  const practice = practiceFor(context.practice, use);
  const entries = ofCurrentRun(journal);
  const wires = together.length ? [wire, ...together] : [wire];
  const opposite = isSplice(terminal) ? context.opposite : [];
  const taken = entriesOf(entries, 'tool').at(-1)?.body;
  const judgedBy = entriesOf(entries, 'reading').at(-1)?.limit ?? null;
  const day = today(context, now);
  const find = (each: Wire, pinned: DocumentKey | null = null) =>
    findLimit(context.limits, each, terminal, context.class, day, practice, pinned);
  const fit = judgeEnds(terminal, wires, opposite, use, practice);
  const nearest = fit.verdict === 'no' ? nearestFits(terminal, wires, use, practice, context.cabinet, opposite) : [];
  const other = opposite.length ? { wires: opposite, folded: fit.otherFolded } : null;
  const toolChoice = chooseTool(terminal, wires, book, practice, fit.folded, other);
  const tool = taken
    ? (toolChoice.candidates.find(
        (c) => c.tool.part === taken.tool && c.die.id === taken.die && c.nest.id === taken.nest,
      ) ?? null)
    : toolChoice.chosen;
  const { bites, reasons: biteNotes } = tool ? placeBites(terminal, tool.nest, practice) : { bites: [], reasons: [] };
  const barrels: Barrelful[] = [{ wires, folded: fit.folded }, ...(other ? [other] : [])];
  const wireSetUps = barrels.flatMap((barrel, i) =>
    barrel.wires.map((each, index): WireSetUp => {
      const limit = find(each);
      return {
        ...{ end: i === 0 ? 1 : 2, number: index + 1, wire: each, limit },
        breaks: breakingLoad(each.conductor, practice),
        preparation: choosePreparation(terminal, each, practice, context.strippers, barrel.folded),
        standing: judgedBy ? find(each, judgedBy) : limit,
      };
    }),
  );
  const strokes = tool && forming(terminal, tool, practice, foundSoFar(entries));
  const pressed = tool && strokes ? { ...tool, nest: strokes.last } : tool;
  const [end, second = null] = makeEnds({ ...context, practice }, wireSetUps, pressed, bites);
  const looks = [end, second].flatMap((each) => each?.look ?? []);
  const pulls = pullsOf(wireSetUps);
  const [pull] = pulls;
  if (!end || !pull) throw new Error('a terminal has one end and one wire at the least');
  const { limit, standing, breaks } = pull;
  const positioner = tool?.positioner ?? null;
  const [bite] = bites;
  const papers = entriesOf(entries, 'release').at(-1)?.body.sheets ?? {};
  const locator =
    end.look && bite && isSetByTrial(positioner)
      ? judgeLocator(
          bite.centre,
          Math.min(biteRoom(end.look), locatorRoom(end.look.nest.width)),
          positioner,
          entriesOf(entries, 'locator').map(({ body }) => body.measured),
        )
      : null;
  const making = { forming: strokes, locator, fuelNear: use.fuelNear === true };
  const strips = wireSetUps.flatMap(({ preparation }) => preparation?.strip.setPoint ?? []);
  // What is cut off takes as much of each wire as the longest strip does.
  const lost = strips.length ? { strip: Math.max(...strips), crimp: wireInCrimp(terminal) } : null;
  const budget =
    lost && reterminationBudget({ cut: practice.wireSpare, shortest: 0 }, { ...lost, trim: practice.freshCut });
  const lots = entriesOf(journal, 'lot').map(({ body }) => body);
  const lookSheet = findLookSheet(context.looks, context.class, day, taken ? (taken.look ?? 'plain') : null);
  return {
    family: terminal.family,
    releasedBy: practice.setUpReleasedBy,
    fit,
    nearest,
    preparation: end.preparation,
    lost,
    toolChoice,
    tool,
    orientation: end.orientation,
    bites,
    biteNotes,
    gates:
      tool && end.look
        ? gates({ ...gateOf(tool, end, null), ...making }, second && { ...gateOf(tool, second, end), ...making })
        : [],
    ...{ locator, forming: strokes, mating: terminal.mating },
    sheets: {
      terminal: terminal.sheet ?? papers.terminal ?? null,
      tool: tool?.tool.sheet ?? papers.tool ?? null,
      stripper: end.preparation?.stripper?.sheet ?? null,
    },
    budget,
    cutOffs: cutOffs(entries, budget),
    pulledWith: pulledWith(terminal, tool?.nest ?? null, practice),
    after: aftercare(terminal, wire, practice),
    criteria: criteriaOfEnds(looks, lookSheet),
    look: end.look,
    lookSheet,
    lookInEffect: findLookSheet(context.looks, context.class, day),
    lotCriteria: new Map(
      lots.map(({ lot, stands }) => [
        lot,
        criteriaOfEnds(looks, findLookSheet(context.looks, context.class, day, stands.look ?? 'plain')),
      ]),
    ),
    measures: { height: crimpHeight(terminal, wire, pressed?.nest), width: crimpWidth(terminal, wire) },
    limit,
    standing,
    breaks,
    hold: limit.limit && findHold(limit.limit, breaks),
    retention: terminal.cavity && {
      ...terminal.cavity,
      force: limit.limit && findPush(limit.limit.table, terminal),
    },
    wires: wireSetUps,
    pulls,
    lots: new Map(lots.map(({ lot, stands }) => [lot, wireSetUps.map((each) => find(each.wire, stands.limit))])),
    other: second,
  };
}

/** Fuel, oil or vapour nearby bars flame, whatever the house rules say. */
function practiceFor(practice: Practice, { fuelNear }: Use): Practice {
  return fuelNear && practice.sealingHeat === 'flame' ? { ...practice, sealingHeat: 'hot-air' } : practice;
}

/** What was found after each forming stroke, in their order, as far as they follow on each other. */
function foundSoFar(entries: readonly Entry[]): StrokeFind[] {
  const strokes = entriesOf(entries, 'gate').flatMap(({ body }) =>
    body.gate === 'formed' && body.found ? [{ at: body.bite ?? 1, found: body.found }] : [],
  );
  const found: StrokeFind[] = [];
  for (const { at, found: each } of strokes.sort((a, b) => a.at - b.at)) if (at === found.length + 1) found.push(each);
  return found;
}
