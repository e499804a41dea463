import type { Practice } from '../practice';
import type { StripWindow } from '../prepare';
import type { Terminal } from '../terminal';
import type { ToolCandidate } from '../tool';
import type { Orientation } from './orientation';

export const GATES = [
  'slide-on',
  'strip-looked-at',
  'setting',
  'orientation',
  'wire-seen',
  'cycle-complete',
  'mark-matches',
  'hand-tug',
  'insulation-bite',
  'trim-flush',
  'cover-home',
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

/** What the steps follow from. */
export interface GateContext {
  readonly terminal: Terminal;
  readonly practice: Practice;
  readonly strip: StripWindow;
  readonly tool: Pick<ToolCandidate, 'tool' | 'nest' | 'setting' | 'positioner' | 'insulationPosition' | 'stepDown'>;
  readonly lies: Orientation;
  /** Bites on one barrel. */
  readonly bites: number;
}

/**
 * The steps of making the crimp, each a gate that has to be answered before the next one shows. Slide-on items come
 * first, because remembered too late they cost the joint.
 */
export function gates(context: GateContext): GateStep[] {
  const { terminal, practice, strip, tool, lies, bites: bite } = context;
  const { nest } = tool;
  const steps: GateStep[] = [];
  if (terminal.slideOn.length) {
    const items = terminal.slideOn.map((item) => item.label).join(' and ');
    const ways = terminal.slideOn
      .filter((item) => item.wayRound !== null)
      .map((item) => `${capital(item.label)}: ${item.wayRound}.`)
      .join(' ');
    steps.push({
      gate: 'slide-on',
      headline: `Slide on first: ${items}.`,
      why: `${ways ? `${ways} ` : ''}It cannot be put on after the crimp. Push it well back, clear of the hot end.`,
      confirm: `${capital(items)} is on the wire${ways ? ', right way round' : ''}`,
      caution: null,
    });
  }
  const at =
    strip.setPoint === null || !strip.window
      ? 'No strip length is set.'
      : `Strip ${strip.setPoint} mm; ${strip.window.min.toFixed(1)} to ${strip.window.max.toFixed(1)} mm is good.${
          strip.folded ? ' Fold the strands back on themselves.' : ''
        }`;
  steps.push({
    gate: 'strip-looked-at',
    headline: 'Look at the stripped end and at the slug.',
    why: `${at} No strand nicked, cut or missing; ${
      practice.lay === 'factory-lay'
        ? 'lay as it left the factory, untouched by fingers'
        : 'strands gathered by a slight twist along the lay'
    }. Strands left in the slug are strands lost.`,
    confirm: 'End and slug are clean',
    caution: 'Clear cut strands off the bench.',
  });
  const settings = [
    tool.setting === null ? null : `selector to ${tool.setting}`,
    tool.positioner === null
      ? null
      : `${tool.positioner.label}${
          tool.positioner.adjustable && tool.positioner.depth !== null ? ` at ${tool.positioner.depth} mm` : ''
        }`,
    tool.insulationPosition === null || terminal.insulationRange === null
      ? null
      : `insulation grip to ${tool.insulationPosition}`,
  ].filter((setting) => setting !== null);
  if (settings.length) {
    steps.push({
      gate: 'setting',
      headline: `Set the tool: ${settings.join(', ')}.`,
      why: 'A wrong setting or depth makes a crimp that looks right from outside.',
      confirm: 'The tool is set so',
      caution: null,
    });
  }
  const loose =
    practice.looseInNest === 'stop' || tool.tool.kind !== 'plier'
      ? 'Loose in the nest? Stop: wrong nest or terminal.'
      : tool.stepDown
        ? `Loose in the nest? Step down once, to nest ${tool.stepDown.label}, and say so.`
        : 'Loose in the nest? Stop: there is no smaller nest.';
  steps.push({
    gate: 'orientation',
    headline: lies.headline,
    why: `${lies.why} ${loose}`,
    confirm: lies.confirm,
    caution: 'Nothing is crimped on a live circuit.',
  });
  if (terminal.barrel.inspection && terminal.family !== 'window-splice') {
    steps.push({
      gate: 'wire-seen',
      headline: 'The wire is seen in the inspection hole.',
      why: 'A wire that is not bottomed is held by half the barrel and may still pass a light tug.',
      confirm: 'Wire is seen in the hole',
      caution: null,
    });
  }
  const isPowered = tool.tool.kind === 'press' || tool.tool.kind === 'hydraulic';
  const twoStrokes =
    terminal.barrel.betweenGrips !== null && (practice.twoGrips === 'conductor-first' || nest.grips === 'conductor');
  const grip = twoStrokes ? 'Conductor grip only: ' : '';
  steps.push({
    gate: 'cycle-complete',
    headline: capital(
      bite <= 1
        ? `${grip}one bite, until the tool opens by itself.`
        : `${grip}${bite} bites, each until the tool opens by itself.`,
    ),
    why: `${strip.rule === 'stop' || strip.rule === 'lug' ? 'Wire in until it bottoms, light pressure kept. ' : ''}A tool that has to be forced open has not made the crimp.`,
    confirm: 'The tool opened by itself',
    caution: isPowered
      ? 'Fingers out of the press and its dies; guard closed. Battery and mains work: released specifications and qualified people decide.'
      : 'Fingers out of the dies.',
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
  if (twoStrokes) {
    steps.push({
      gate: 'insulation-bite',
      headline: 'Now the insulation grip.',
      why: 'Snug on the insulation, not cutting in. The conductor grip has been tried before it is hidden.',
      confirm: 'Insulation grip is closed',
      caution: null,
    });
  }
  if (terminal.trimFlush) {
    steps.push({
      gate: 'trim-flush',
      headline: 'Cut the wire end flush with the ferrule.',
      why: 'The clamp it goes into has no room for strands in front of the ferrule.',
      confirm: 'Wire end is flush',
      caution: 'Clear cut strands off the bench.',
    });
  }
  const covers = terminal.slideOn.filter(
    (item) => item.kind === 'insulator' || item.kind === 'boot' || item.kind === 'collar',
  );
  if (covers.length) {
    const items = covers.map((item) => item.label).join(' and ');
    steps.push({
      gate: 'cover-home',
      headline: `Push home: ${items}.`,
      why: 'It has to cover the whole contact and hold there by itself.',
      confirm: `${capital(items)} is home`,
      caution: null,
    });
  }
  if (terminal.slideOn.some((item) => item.kind === 'sleeve')) {
    steps.push({
      gate: 'sleeve-centred',
      headline: 'Move the sleeve over the joint and centre it.',
      why: 'The same length of insulation has to be covered on both sides.',
      confirm: 'The sleeve is centred',
      caution: null,
    });
  }
  if (terminal.sealingHeat) {
    const heat = `${terminal.sealingHeat.min}–${terminal.sealingHeat.max} °C`;
    const isFlame = practice.sealingHeat === 'flame';
    steps.push({
      gate: 'sealed-both-ends',
      headline: terminal.sealed
        ? 'Shrink from the middle outwards until adhesive shows at both ends.'
        : 'Shrink from the middle outwards until the sleeve lies close at both ends.',
      why: `${isFlame ? `Flame at a distance, sleeve at ${heat}` : `Hot air with a deflector, ${heat}`}, kept moving. Slight discolouring is tolerated, charring is not.`,
      confirm: terminal.sealed ? 'Adhesive shows at both ends' : 'Sleeve lies close at both ends',
      caution: `${
        isFlame
          ? 'A flame only where nothing can catch fire: never near fuel, vapour, oil, solvent or trim.'
          : 'Hot air and hot sleeves burn. No flame or glowing element near fuel, oil, solvent or vapour.'
      } Let the heater run cold before switching it off.`,
    });
  }
  return steps;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
