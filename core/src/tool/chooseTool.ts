import type { Practice } from '../practice';
import type { Family, Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { metalArea, type Wire } from '../wire';
import { judgeTool, type ToolState } from './judgeTool';
import type { Die, Nest, NestProfile, Tool, ToolCheck } from './Tool';

export interface ToolCandidate {
  readonly tool: Tool;
  readonly die: Die;
  readonly nest: Nest;
  readonly listed: boolean;
  readonly state: ToolState;
  readonly reasons: readonly Reason[];
}

export interface ToolChoice {
  /** Best first. */
  readonly candidates: readonly ToolCandidate[];
  /** The first candidate that is not refused; null when there is none. */
  readonly chosen: ToolCandidate | null;
  readonly reasons: readonly Reason[];
}

/** Profiles that can press each family at all, whatever the tool's sheet lists. */
const PROFILES: Readonly<Record<Family, readonly NestProfile[]>> = {
  'bare-ring': ['indent-and-cradle'],
  'insulated-ring': ['symmetric-oval', 'two-bite'],
  'open-barrel-contact': ['rolled'],
  'window-splice': ['window-indent', 'symmetric-oval'],
};

const STATE_ORDER = { ready: 0, 'check-due': 1, refused: 2 } as const;

/**
 * Tools, dies and nests for a terminal and wire, best first: fit for use, then listed for this terminal before
 * suitable by geometry (which only counts where the practice allows it, and is said), then the die already mounted,
 * then the tightest nest. A refused tool stays in the list with its reason, so that nobody wonders where it went.
 */
export function chooseTool(
  terminal: Terminal,
  wire: Wire,
  tools: readonly Tool[],
  checks: readonly ToolCheck[],
  practice: Practice,
  now: string,
): ToolChoice {
  const area = metalArea(wire.conductor);
  const candidates: ToolCandidate[] = [];
  for (const tool of tools) {
    const state = judgeTool(tool, checks, now);
    for (const die of tool.dies) {
      for (const nest of die.nests) {
        const listed = nest.terminals.includes(terminal.part);
        const fitsArea = area >= nest.area.min && area <= nest.area.max;
        if (!fitsArea || !PROFILES[terminal.family].includes(nest.profile)) continue;
        if (!listed && practice.toolPolicy === 'listed-only') continue;
        const reasons = [
          listed
            ? reason('listed', 'good', `Listed for ${terminal.part} in nest ${nest.label}.`)
            : reason('by-geometry', 'note', 'Not listed for this terminal; suitable by profile and wire range only.'),
          ...(die.mounted ? [] : [reason('die-change', 'note', `Mount ${die.label} first.`)]),
          ...state.reasons,
        ];
        candidates.push({ tool, die, nest, listed, state, reasons });
      }
    }
  }
  candidates.sort(
    (a, b) =>
      STATE_ORDER[a.state.state] - STATE_ORDER[b.state.state] ||
      Number(b.listed) - Number(a.listed) ||
      Number(b.die.mounted) - Number(a.die.mounted) ||
      a.nest.area.max / a.nest.area.min - b.nest.area.max / b.nest.area.min ||
      a.tool.part.localeCompare(b.tool.part),
  );
  const chosen = candidates.find((c) => c.state.state !== 'refused') ?? null;
  const reasons: Reason[] = [];
  if (!chosen) {
    reasons.push(
      candidates.length
        ? reason(
            'all-refused',
            'bad',
            `Every tool for this pair is out of use: ${candidates.map((c) => c.tool.label).join(', ')}.`,
          )
        : reason(
            'no-tool',
            'bad',
            `No tool is ${practice.toolPolicy === 'listed-only' ? 'listed for' : 'suitable for'} ${terminal.part} with ${area.toFixed(2)} mm² of metal.`,
            { area },
          ),
    );
  }
  return { candidates, chosen, reasons };
}
