import { familyOf } from '../../terminal';
import { capital } from '../../text';
import type { Tool } from '../../tool';
import { showRange } from '../../units';
import { strayStrand } from '../strayStrand';
import type { GateContext, MakeStep } from './Step';

/**
 * How an end comes to lie in its nest. The house rules say whether seat, hold and wire are each asked for, or with the way round and
 * the cycle; where the insulation edge has a band of its own it is always asked for.
 */
export const LOADING: readonly MakeStep[] = [
  ({ practice, tool, lies }) => {
    const loose =
      practice.looseInNest === 'stop' || tool.tool.kind !== 'plier'
        ? 'Loose in the nest? Stop: wrong nest or terminal.'
        : tool.stepDown
          ? `Loose in the nest? Step down once, to nest ${tool.stepDown.label}, and say so.`
          : 'Loose in the nest? Stop: there is no smaller nest.';
    return {
      gate: 'orientation',
      headline: lies.headline,
      why: `${lies.why} ${tool.tool.partStroke && practice.loading === 'in-one' ? 'A part stroke holds it without pressing. ' : ''}${loose}`,
      confirm: lies.confirm,
      caution: 'Nothing is crimped on a live circuit.',
    };
  },
  (context) =>
    isBySteps(context)
      ? {
          gate: 'seated',
          headline: familyOf(context.terminal).words.seated,
          why: 'Out of its place the bite lies on the wrong part of the barrel, whatever it looks like from above.',
          confirm: 'It is seated',
          caution: null,
        }
      : null,
  (context) => {
    const { tool } = context.tool;
    if (!isBySteps(context) || !tool.partStroke) return null;
    return {
      gate: 'held',
      headline: 'Hold it by a part stroke, without pressing it.',
      why: `The tool closes until the terminal can no longer fall out, and no further. ${wayOut(tool)}`,
      confirm: 'It is held and not pressed',
      caution: null,
    };
  },
  (context) => {
    const { strip } = context;
    if (!isBySteps(context) || strip.kind === 'positioned') return null;
    const bottoms = strip.rule === 'stop' || strip.rule === 'lug';
    return {
      gate: 'wire-in',
      headline: bottoms
        ? 'Wire in until it bottoms.'
        : strip.rule === 'ferrule'
          ? 'Wire in until the insulation is home in the collar.'
          : `Wire in until the insulation edge lies ${showRange(strip.position, 1, ' to ')} mm behind the barrel.`,
      why: 'Pushed straight, not turned: a turned wire opens its lay in the barrel’s mouth.',
      confirm: bottoms ? 'The wire has bottomed' : 'The insulation edge is in its place',
      caution: null,
    };
  },
  ({ strip }) => {
    if (strip.kind !== 'positioned') return null;
    const band = `${showRange(strip.position, 1, ' to ')} mm`;
    return {
      gate: 'position',
      headline: `Insulation edge ${band} behind the barrel.`,
      why: `No strip length suits every position here: ${strip.setPoint} mm is good with the edge in this band, and only there. Hold the wire so until the tool has it.`,
      confirm: `The edge lies ${band} behind the barrel`,
      caution: null,
    };
  },
  (context) => {
    const { terminal, strip } = context;
    const hole = terminal.barrel.inspection !== null && familyOf(terminal).asksForHole;
    if (!hole && !isBySteps(context)) return null;
    const stray = strayStrand(context.wire, context.practice);
    const inBrief = {
      gate: 'wire-seen',
      headline: 'The wire is seen in the inspection hole.',
      why: 'A wire that is not bottomed is held by half the barrel and may still pass a light tug.',
      confirm: 'Wire is seen in the hole',
      caution: null,
    } as const;
    if (!isBySteps(context)) return inBrief;
    const seen = hole
      ? 'The wire is seen in the inspection hole'
      : strip.brush
        ? 'The wire’s tip is seen past the barrel'
        : 'All strands went in';
    return {
      ...inBrief,
      headline: `${seen}, no strand outside; keep a light pressure on it.`,
      why: `${hole ? `${inBrief.why} ` : ''}${stray.text}`,
      confirm: `${seen}, none outside`,
      remedies: stray.remedy === 'mend' ? ['take-out', 'mend', 'cut-off'] : ['take-out', 'cut-off'],
    };
  },
];

const isBySteps = ({ practice }: GateContext) => practice.loading === 'by-steps';

/** How something placed wrong, or stuck, comes out again: by the tool's own sheet where that says. */
export function wayOut({ release, whenStuck }: Pick<Tool, 'release' | 'whenStuck'>): string {
  const out = release === null ? '' : `Placed wrong? Break it off before it presses: ${release}. `;
  return `${out}It sticks? ${capital(whenStuck ?? 'open the tool wholly and draw it straight out; nothing is levered')}.`;
}
