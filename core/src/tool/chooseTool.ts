import type { Practice } from '../practice';
import { familyOf, type NestProfile, type Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { metalArea, type Wire } from '../wire';
import type { ToolState } from './judgeTool';
import type { NestPlace, ToolBook } from './openToolBook';
import { selectorSetting } from './selectorSetting';
import { insulationPosition } from './insulationPosition';
import type { COVERS } from './kinds';
import type { Die, Nest, Positioner, Tool } from './Tool';

/** Something that has to be changed in the tool first, and the minutes it takes. */
export interface Change {
  readonly what: string;
  readonly minutes: number;
}

export interface ToolCandidate {
  readonly tool: Tool;
  readonly die: Die;
  readonly nest: Nest;
  readonly listed: boolean;
  /** Whether its die is mounted now. */
  readonly mounted: boolean;
  readonly state: ToolState;
  /** Selector setting; null for a tool without a selector, or where its table has a hole. */
  readonly setting: string | null;
  readonly positioner: Positioner | null;
  /** Position of the insulation grip; null where the tool has none to set. */
  readonly insulationPosition: string | null;
  readonly changes: readonly Change[];
  /** May be taken once its check is good: nothing but a due check stands against it. */
  readonly usable: boolean;
  /** For plier-type tools where the practice allows it: the next smaller nest, should the terminal lie loose. */
  readonly stepDown: Nest | null;
  readonly reasons: readonly Reason[];
}

/** What one barrel takes. */
export interface Barrelful {
  readonly wires: readonly Wire[];
  /** Folded back to double its area. */
  readonly folded: boolean;
}

const areaOf = ({ wires, folded }: Barrelful) =>
  wires.reduce((sum, wire) => sum + metalArea(wire.conductor), 0) * (folded ? 2 : 1);

export interface ToolChoice {
  /** Best first. */
  readonly candidates: readonly ToolCandidate[];
  /** The first candidate that is usable; null when there is none. */
  readonly chosen: ToolCandidate | null;
  readonly reasons: readonly Reason[];
}

/** The tip of a punch opens what adhesive has to close: only where the tool's sheet says that it does not. */
const hasAdhesive = ({ sealed, sealingHeat }: Terminal) => sealed && sealingHeat !== null;

/** Profiles that are offered by shape alone: a sleeve with adhesive is never pierced by a punch. */
function byGeometry(terminal: Terminal): readonly NestProfile[] {
  const { byShape } = familyOf(terminal).nests;
  return hasAdhesive(terminal) ? byShape.filter((profile) => profile !== 'indent-and-cradle') : byShape;
}

/** What covers the barrel where a nest presses. */
function coverOf(terminal: Terminal): (typeof COVERS)[number] {
  if (hasAdhesive(terminal)) return 'adhesive';
  return terminal.sleeve !== null || familyOf(terminal).hidesPunch ? 'sleeved' : 'bare';
}

/** Whether a nest's sheet says that it is made for something else. */
const isForOther = (terminal: Terminal, { presses }: Nest) =>
  presses.length > 0 && !presses.includes(coverOf(terminal));

/** Whether a punch presses through a sleeve that hides what it does. */
const pressesThroughSleeve = (terminal: Terminal, nest: Nest) =>
  nest.profile === 'indent-and-cradle' && (terminal.barrel.seam === 'hidden' || familyOf(terminal).hidesPunch);

const STATE_ORDER = { ready: 0, 'check-due': 1, refused: 2 } as const;

/**
 * Tools, dies, nests and settings for a terminal and its wires, best first: usable, fit for use, then listed for this
 * terminal before suitable by geometry (which only counts where the practice allows it, and is said), then the fewest
 * minutes of change, then the tightest nest. A refused tool stays in the list with its reason, so that nobody wonders
 * where it went.
 *
 * @param other what the second barrel of a splice takes: one nest presses both
 */
export function chooseTool(
  terminal: Terminal,
  wires: readonly Wire[],
  book: ToolBook,
  practice: Practice,
  folded = false,
  other: Barrelful | null = null,
): ToolChoice {
  const area = areaOf({ wires, folded });
  const areas = other ? [area, areaOf(other)] : [area];
  const listed = (book.listed.get(terminal.part) ?? []).filter(({ nest }) =>
    familyOf(terminal).nests.listed.includes(nest.profile),
  );
  const places =
    practice.toolPolicy === 'listed-only'
      ? listed
      : [
          ...new Set([
            ...listed,
            ...byGeometry(terminal)
              .flatMap((profile) => book.byProfile.get(profile) ?? [])
              .filter(({ nest }) => !isForOther(terminal, nest)),
          ]),
        ];
  const candidates = places
    .filter(({ nest }) => areas.every((each) => each >= nest.area.min && each <= nest.area.max))
    .map((place) => candidate(place, terminal, wires, practice, listed.includes(place)))
    .sort(
      (a, b) =>
        Number(b.usable) - Number(a.usable) ||
        STATE_ORDER[a.state.state] - STATE_ORDER[b.state.state] ||
        Number(b.listed) - Number(a.listed) ||
        minutesOf(a) - minutesOf(b) ||
        a.nest.area.max / a.nest.area.min - b.nest.area.max / b.nest.area.min ||
        (a.tool.part < b.tool.part ? -1 : 1),
    );
  const best = candidates.find((c) => c.usable) ?? null;
  const overlap = best && overlapReason(best, candidates, area);
  const chosen = best && overlap ? { ...best, reasons: [...best.reasons, overlap] } : best;
  const reasons: Reason[] = [];
  if (!chosen) {
    const blocked = candidates.find((c) => c.state.state !== 'refused');
    const first = blocked?.reasons.find((r) => r.weight === 'bad');
    reasons.push(
      first ??
        (candidates.length
          ? reason(
              'all-refused',
              'bad',
              `Every tool for this pair is out of use: ${[...new Set(candidates.map((c) => c.tool.label))].join(', ')}.`,
            )
          : reason(
              'no-tool',
              'bad',
              `No tool is ${practice.toolPolicy === 'listed-only' ? 'listed for' : 'suitable for'} ${terminal.part} with ${areas.map((each) => each.toFixed(2)).join(' and ')} mm² of metal${other ? ' at its two ends' : ''}.`,
              { area },
            )),
    );
  }
  return { candidates: candidates.map((each) => (each === best && chosen ? chosen : each)), chosen, reasons };
}

const tightness = ({ nest }: ToolCandidate) => nest.area.max / nest.area.min;

/** Why this nest and not another of the same die whose range takes these wires too; null where there is none. */
function overlapReason(best: ToolCandidate, candidates: readonly ToolCandidate[], area: number): Reason | null {
  const rivals = candidates.filter(
    (c) =>
      c !== best && c.tool.part === best.tool.part && c.die.id === best.die.id && c.nest.profile === best.nest.profile,
  );
  const [rival] = rivals;
  if (!rival) return null;
  const range = ({ nest }: ToolCandidate) => `${nest.label} (${nest.area.min}–${nest.area.max} mm²)`;
  const why =
    best.listed && !rival.listed
      ? `the tool’s sheet lists this terminal for it, and not for ${rival.nest.label}`
      : !rival.usable
        ? `${rival.nest.label} cannot be used`
        : tightness(best) < tightness(rival)
          ? `its range is the tighter one, and the barrel fills it better`
          : `their ranges are alike, and it comes first on the tool`;
  return reason(
    'nests-overlap',
    'note',
    `${area.toFixed(2)} mm² lies in ${[best, ...rivals].map(range).join(' and ')}: nest ${best.nest.label}, because ${why}.`,
    { area, nests: rivals.length + 1 },
  );
}

const minutesOf = (c: ToolCandidate) => c.changes.reduce((sum, change) => sum + change.minutes, 0);

function candidate(
  { tool, die, nest, mounted, state }: NestPlace,
  terminal: Terminal,
  wires: readonly Wire[],
  practice: Practice,
  isListed: boolean,
): ToolCandidate {
  const [wire] = wires;
  const reasons: Reason[] = [
    isListed
      ? reason('listed', 'good', `Listed for ${terminal.part} in nest ${nest.label}.`)
      : reason('by-geometry', 'note', 'Not listed for this terminal; suitable by profile and wire range only.'),
    ...(pressesThroughSleeve(terminal, nest)
      ? [
          reason(
            'punch-through-sleeve',
            isListed ? 'note' : 'hold',
            'The punch presses through the sleeve. Open one sample: the tip must not have pierced it, nor met the seam.',
          ),
        ]
      : []),
  ];
  const changes: Change[] = [];
  if (!mounted) changes.push({ what: `mount ${die.label}`, minutes: tool.changeMinutes.die });

  const selected = wire ? selectorSetting(tool, terminal, wire) : { setting: null, reason: null };
  if (selected.reason) reasons.push(selected.reason);
  if (selected.setting !== null) {
    changes.push({ what: `selector to ${selected.setting}`, minutes: tool.changeMinutes.setting });
  }
  const positioner =
    tool.positioners
      .filter((p) => p.terminals.includes(terminal.part))
      .sort((a, b) => Number(b.mounted) - Number(a.mounted))[0] ?? null;
  if (tool.positioners.length && !positioner) {
    reasons.push(
      reason(
        'no-positioner',
        'bad',
        `No positioner of ${tool.label} is for ${terminal.part}: it would not lie at the right depth.`,
      ),
    );
  } else if (positioner && !positioner.mounted) {
    changes.push({ what: `mount ${positioner.label}`, minutes: tool.changeMinutes.positioner });
  }
  if (positioner?.adjustable && positioner.depth !== null) {
    reasons.push(
      reason('positioner-depth', 'note', `Set ${positioner.label} to ${positioner.depth} mm.`, {
        depth: positioner.depth,
      }),
    );
  }
  const grip = wire ? insulationPosition(tool, wire) : null;
  if (wire && tool.insulationPositions.length && grip === null && terminal.insulationRange) {
    reasons.push(
      reason(
        'no-insulation-position',
        'hold',
        `No insulation-grip position of ${tool.label} is for ${wire.insulationDiameter} mm: find it by trial and look at every piece.`,
      ),
    );
  }
  if (terminal.dieIndex !== null && nest.index !== null && terminal.dieIndex !== nest.index) {
    reasons.push(
      reason(
        'die-index',
        'bad',
        `The lug is marked for die index ${terminal.dieIndex} and this die is ${nest.index}: the marks have to agree.`,
      ),
    );
  }
  if (changes.length) {
    const minutes = changes.reduce((sum, change) => sum + change.minutes, 0);
    reasons.push(
      reason('change-over', 'note', `First ${changes.map((c) => c.what).join(', ')}: about ${minutes} min.`, {
        minutes,
      }),
    );
  }
  const stepDown =
    practice.looseInNest === 'step-down' && tool.kind === 'plier'
      ? (die.nests
          .filter((n) => n.profile === nest.profile && n.area.max < nest.area.max && n.id !== nest.id)
          .sort((a, b) => b.area.max - a.area.max)[0] ?? null)
      : null;
  const usable = state.state !== 'refused' && !reasons.some((r) => r.weight === 'bad');
  return {
    tool,
    die,
    nest,
    listed: isListed,
    mounted,
    state,
    setting: selected.setting,
    positioner,
    insulationPosition: grip,
    changes,
    usable,
    stepDown,
    reasons: [...reasons, ...state.reasons],
  };
}
