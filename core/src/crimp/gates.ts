import type { StripWindow } from '../prepare';
import type { Terminal } from '../terminal';
import type { Nest } from '../tool';
import type { Orientation } from './orientation';

export const GATES = [
  'slide-on',
  'strip-looked-at',
  'orientation',
  'cycle-complete',
  'mark-matches',
  'hand-tug',
  'sleeve-centred',
  'sealed-both-ends',
] as const;
export type Gate = (typeof GATES)[number];

export interface GateStep {
  readonly gate: Gate;
  /** The instruction, as a headline. */
  readonly headline: string;
  readonly why: string;
  /** What the person confirms. */
  readonly confirm: string;
  readonly caution: string | null;
}

/**
 * The steps of making the crimp, each a gate that has to be answered before the next one shows. Slide-on items come
 * first, because remembered too late they cost the joint.
 */
export function gates(terminal: Terminal, strip: StripWindow, nest: Nest, lies: Orientation, bite: number): GateStep[] {
  const steps: GateStep[] = [];
  if (terminal.slideOn.length) {
    const items = terminal.slideOn.map((item) => item.label).join(' and ');
    steps.push({
      gate: 'slide-on',
      headline: `Slide on first: ${items}.`,
      why: 'It cannot be put on after the crimp. Push it well back, clear of the hot end.',
      confirm: `${capital(items)} is on the wire`,
      caution: null,
    });
  }
  const at =
    strip.setPoint === null || !strip.window
      ? 'No strip length is set.'
      : `Strip ${strip.setPoint} mm; ${strip.window.min.toFixed(1)} to ${strip.window.max.toFixed(1)} mm is good.`;
  steps.push({
    gate: 'strip-looked-at',
    headline: 'Look at the stripped end and at the slug.',
    why: `${at} No strand nicked, cut or missing; lay as it left the factory. Strands left in the slug are strands lost.`,
    confirm: 'End and slug are clean',
    caution: 'Clear cut strands off the bench.',
  });
  steps.push({
    gate: 'orientation',
    headline: lies.headline,
    why: lies.why,
    confirm: lies.confirm,
    caution: 'Nothing is crimped on a live circuit.',
  });
  steps.push({
    gate: 'cycle-complete',
    headline:
      bite === 1 ? 'One bite, until the tool opens by itself.' : `${bite} bites, each until the tool opens by itself.`,
    why: 'Wire in until it bottoms, light pressure kept. A tool that has to be forced open has not made the crimp.',
    confirm: 'The tool opened by itself',
    caution: 'Fingers out of the dies.',
  });
  steps.push({
    gate: 'mark-matches',
    headline: `Read the mark: ${nest.mark}.`,
    why: 'The die leaves its mark on the piece. Another mark is another nest, whatever the piece looks like.',
    confirm: `The mark is ${nest.mark}`,
    caution: null,
  });
  steps.push({
    gate: 'hand-tug',
    headline: 'A light tug by hand.',
    why: 'It finds a wire that was never held. It is a gate, not evidence: the pull test still has to come.',
    confirm: 'Nothing moved',
    caution: null,
  });
  if (terminal.sealed && terminal.sealingHeat) {
    steps.push({
      gate: 'sleeve-centred',
      headline: 'Move the sealing sleeve over the joint and centre it.',
      why: 'The same length of insulation has to be covered on both sides.',
      confirm: 'The sleeve is centred',
      caution: null,
    });
    steps.push({
      gate: 'sealed-both-ends',
      headline: 'Shrink from the middle outwards until adhesive shows at both ends.',
      why: `Hot air ${terminal.sealingHeat.min}–${terminal.sealingHeat.max} °C, kept moving. Slight discolouring is tolerated, charring is not.`,
      confirm: 'Adhesive shows at both ends',
      caution:
        'Hot air and hot sleeves burn. No flame or glowing element near fuel, oil, solvent or vapour. Let the heater run cold before switching it off.',
    });
  }
  return steps;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
