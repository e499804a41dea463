import type { GateContext, MakeStep } from './Step';

/** Whether a tool has more than one die to put in, so that the one in it may be another. */
const isExchanged = ({ tool: { tool, die } }: GateContext) => tool.dies.length > 1 && die.id !== '-';

/**
 * What is looked at on a die once it is in its tool, where the house rules ask for it by steps; the go/no-go check comes after it. A
 * frame with one die for good has none of it, and of a splice it is asked once.
 */
export const MOUNTING: readonly MakeStep[] = [
  (context) => {
    if (!isAsked(context)) return null;
    const { die, nest, positioner } = context.tool;
    const index = nest.index === null ? '' : `, index ${nest.index}`;
    return {
      gate: 'die-codes',
      headline: `Read the codes of both halves: ${die.label}${index}${positioner ? `; and of the positioner: ${positioner.label}` : ''}.`,
      why: 'Both halves of one pair, and the pair that the sheet of this terminal names. Halves of two pairs close on each other and make a crimp that looks like one.',
      confirm: 'Both codes are the same, and the ones of the sheet',
      caution: null,
    };
  },
  (context) =>
    isAsked(context)
      ? {
          gate: 'die-side',
          headline: 'Marked side of both halves the same way, as the tool’s sheet shows it.',
          why: 'A half turned round puts conductor nest on insulation nest.',
          confirm: 'Marked sides lie as on the sheet',
          caution: null,
        }
      : null,
  (context) =>
    isAsked(context)
      ? {
          gate: 'die-tight',
          headline: 'Seat the die, close it lightly on itself, then tighten its screws; nothing wiggles.',
          why: 'Tightened under a light closing the halves find each other. Then the go/no-go check: it is due after every change of die.',
          confirm: 'Seated, tight, nothing wiggles',
          caution: 'Fingers out of the dies; a powered tool is switched off while its die is changed.',
        }
      : null,
];

function isAsked(context: GateContext): boolean {
  return context.end === 1 && context.practice.mounting === 'by-steps' && isExchanged(context);
}
