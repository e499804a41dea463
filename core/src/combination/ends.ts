import { orientation, secondEnd, type Bite, type GateContext, type Orientation } from '../crimp';
import type { LookContext } from '../look';
import type { Preparation } from '../prepare';
import { isSplice, type End } from '../terminal';
import { uncapital } from '../text';
import { insulationPosition, type ToolCandidate } from '../tool';
import type { Wire } from '../wire';
import type { SetUpContext, WireSetUp } from './computeSetUp';
import { crimpHeight, crimpWidth } from './judgeStrips';

/** How one end lies, is made and is looked at. A splice has two, everything else one. */
export interface EndSetUp {
  readonly end: End;
  /** The first of its wires. */
  readonly wire: Wire;
  /** Null when the shop has no stripper. */
  readonly preparation: Preparation | null;
  /** Null while there is no tool, or where its nest does not press such a barrel. */
  readonly orientation: Orientation | null;
  readonly bites: readonly Bite[];
  /** What eye and caliper go by; null until tool and strip length of both ends are settled. */
  readonly look: LookContext | null;
}

/**
 * The ends of a part, each with its own wire. Both barrels of a splice are pressed in one nest and alike.
 * @param wires of the set-up, each already prepared; the first of each end is the one its barrel is drawn and looked at with
 */
export function makeEnds(
  { terminal, practice, opposite }: SetUpContext,
  wires: readonly WireSetUp[],
  tool: ToolCandidate | null,
  bites: readonly Bite[],
): EndSetUp[] {
  const lies = tool && orientation(terminal, tool.nest, practice);
  const turned = lies && isSplice(terminal) ? secondEnd(terminal, lies, practice) : null;
  const ends = wires
    .filter(({ number }) => number === 1)
    .map(({ end, wire, preparation }) => ({ end, wire, preparation, bites, orientation: end === 1 ? lies : turned }));
  const seen = ends.map(({ end, wire, preparation, orientation: own }): LookContext | null =>
    tool && preparation && own
      ? {
          ...{ terminal, wire, practice, end, bites, nest: tool.nest, strip: preparation.strip, orientation: own },
          ...{ height: crimpHeight(terminal, wire, tool.nest), width: crimpWidth(terminal, wire), opposite: null },
        }
      : null,
  );
  const isKnown = seen.every((each) => each !== null);
  return ends.map((own, i) => ({
    ...own,
    // Where nobody named the other wire, what is done at its end is said with the first.
    orientation: own.orientation && turned && !opposite.length ? alone(own.orientation, turned) : own.orientation,
    look: isKnown && seen[i] ? { ...seen[i], opposite: seen[1 - i] ?? null } : null,
  }));
}

const alone = (lies: Orientation, turned: Orientation): Orientation => ({
  ...lies,
  why: `${lies.why} Then the other end: ${uncapital(turned.headline)}`,
});

/** What the steps of making one end follow from; its look has to be settled. */
export function gateOf(
  tool: ToolCandidate,
  { end, look }: EndSetUp,
  before: EndSetUp | null,
): Omit<GateContext, 'forming' | 'locator' | 'fuelNear'> {
  if (!look) throw new Error(`end ${end} is not settled`);
  const { terminal, practice, wire, strip, orientation: lies, bites } = look;
  return {
    ...{ terminal, practice, wire, strip, lies, end, bites },
    tool: { ...tool, insulationPosition: insulationPosition(tool.tool, wire) },
    setBefore: before && insulationPosition(tool.tool, before.wire),
  };
}
