import { bites, gates, orientation, type Bite, type GateStep, type Orientation } from '../crimp';
import { criteria, type Criterion } from '../look';
import { judgeFit, nearestFits, type FitVerdict, type NearFit, type Place } from '../match';
import type { Practice } from '../practice';
import { choosePreparation, type Preparation, type Stripper } from '../prepare';
import type { Terminal } from '../terminal';
import { chooseTool, type Tool, type ToolCandidate, type ToolCheck, type ToolChoice } from '../tool';
import { findLimit, type LimitFound, type LimitTable } from '../tug';
import { breakingLoad, type Wire } from '../wire';
import { entriesOf } from './entriesOf';
import type { Entry } from './Entry';

/** Everything a combination is computed from. */
export interface SetUpContext {
  readonly terminal: Terminal;
  readonly wire: Wire;
  readonly place: Place;
  readonly class: string;
  readonly practice: Practice;
  readonly strippers: readonly Stripper[];
  readonly tools: readonly Tool[];
  readonly checks: readonly ToolCheck[];
  readonly limits: readonly LimitTable[];
  readonly cabinet: readonly Terminal[];
}

export interface SetUp {
  readonly fit: FitVerdict;
  /** Others that fit; only looked for when this one does not. */
  readonly nearest: readonly NearFit[];
  readonly preparation: Preparation | null;
  readonly toolChoice: ToolChoice;
  /** The tool taken on record, else the one the choice proposes. */
  readonly tool: ToolCandidate | null;
  readonly orientation: Orientation | null;
  readonly bites: readonly Bite[];
  readonly gates: readonly GateStep[];
  readonly criteria: readonly Criterion[];
  /** What a pull made now is judged by. */
  readonly limit: LimitFound;
  /** What the readings on record stand on: the table the latest of them was judged by, else `limit`. */
  readonly standing: LimitFound;
  /** N */
  readonly breaks: number;
}

/**
 * Climbs the ladder from match to limit for one terminal on one wire. Pure: the same context and `now` give the same
 * set-up in the browser and on the server.
 *
 * @param entries the journal so far: the tool taken decides nest, orientation and points to look at
 * @param now ISO instant
 */
export function computeSetUp(context: SetUpContext, entries: readonly Entry[], now: string): SetUp {
  const { terminal, wire, place, practice } = context;
  const taken = entriesOf(entries, 'tool').at(-1)?.body;
  const judgedBy = entriesOf(entries, 'reading').at(-1)?.limit ?? null;
  const day = now.slice(0, 10);
  const limit = findLimit(context.limits, wire, terminal, context.class, day);
  const fit = judgeFit(terminal, wire, place, practice);
  const nearest = fit.verdict === 'no' ? nearestFits(terminal, wire, place, practice, context.cabinet) : [];
  const preparation = choosePreparation(terminal, wire, practice, context.strippers);
  const toolChoice = chooseTool(terminal, wire, context.tools, context.checks, practice, now);
  const tool = taken
    ? (toolChoice.candidates.find(
        (c) => c.tool.part === taken.tool && c.die.id === taken.die && c.nest.id === taken.nest,
      ) ?? null)
    : toolChoice.chosen;
  const lies = tool ? orientation(terminal, tool.nest.profile, practice) : null;
  const where = tool ? bites(terminal, tool.nest) : [];
  const ready = tool && lies && preparation;
  return {
    fit,
    nearest,
    preparation,
    toolChoice,
    tool,
    orientation: lies,
    bites: where,
    gates: ready ? gates(terminal, preparation.strip, tool.nest, lies, where.length) : [],
    criteria: ready
      ? criteria({
          terminal,
          wire,
          practice,
          strip: preparation.strip,
          nest: tool.nest,
          orientation: lies,
          bites: where,
        })
      : [],
    limit,
    standing: judgedBy ? findLimit(context.limits, wire, terminal, context.class, day, judgedBy) : limit,
    breaks: breakingLoad(wire.conductor),
  };
}
