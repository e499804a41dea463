import { capital } from '../text';
import type { Practice } from '../practice';
import type { StripWindow } from '../prepare';
import { atEnd, familyOf, type End, type Terminal } from '../terminal';
import type { Tool, ToolCandidate } from '../tool';
import type { Wire } from '../wire';
import { endPoints, type EndPoint } from './endPoints';
import { STRAIGHT, type Orientation } from './orientation';
import { canLeaveOpen } from './pulledWith';
import { showRange } from '../units';

export const GATES = [
  'slide-on',
  'strip-looked-at',
  'setting',
  'orientation',
  'position',
  'wire-seen',
  'cycle-complete',
  'mark-matches',
  'straight',
  'hand-tug',
  'insulation-bite',
  'trim-flush',
  'cover-home',
  'sleeve-centred',
  'sealed-both-ends',
] as const;
export type Gate = (typeof GATES)[number];

/** Each step by its name, where a record tells of it; on the bench it stands in the set-up's own words and numbers. */
export const GATE_NAMES: Readonly<Record<Gate, string>> = {
  'slide-on': 'parts slid on first',
  'strip-looked-at': 'stripped end looked at',
  setting: 'setting of the tool',
  orientation: 'way round',
  position: 'place in the nest',
  'wire-seen': 'wire seen where it has to be',
  'cycle-complete': 'full cycle',
  'mark-matches': 'mark of the die',
  'hand-tug': 'tug by hand',
  'insulation-bite': 'bite on the insulation',
  'trim-flush': 'wire end trimmed flush',
  'cover-home': 'cover in its place',
  'sleeve-centred': 'sleeve in the middle',
  'sealed-both-ends': 'sealed at both ends',
  straight: 'splice straight',
};

export const REMEDIES = ['mend', 'trim', 'take-out', 'cut-off'] as const;
/** What can be done when a step is not as it should be. */
export type Remedy = (typeof REMEDIES)[number];

/** Each as what is to be done, and as what was done. */
export const REMEDY_WORDS: Readonly<Record<Remedy, { readonly toDo: string; readonly done: string }>> = {
  mend: { toDo: 'Put it right', done: 'put right' },
  trim: { toDo: 'Trim the wire end', done: 'wire end trimmed' },
  'take-out': { toDo: 'Take it out, load it again', done: 'taken out and loaded again' },
  'cut-off': { toDo: 'Cut it off, make the end again', done: 'cut off and the end made again' },
};

/**
 * What each step leaves to be done, the likeliest first. Before the bite nothing is lost but time or a little wire; a piece that was
 * pressed the wrong way or in the wrong place is never pressed again, and a part forgotten under it costs the end.
 */
const AFTER_NO: Readonly<Record<Gate, readonly Remedy[]>> = {
  'slide-on': ['mend', 'cut-off'],
  'strip-looked-at': ['trim', 'cut-off', 'mend'],
  setting: ['mend', 'take-out'],
  orientation: ['take-out', 'cut-off'],
  position: ['take-out', 'trim', 'cut-off'],
  'wire-seen': ['take-out', 'cut-off'],
  'cycle-complete': ['cut-off'],
  'mark-matches': ['cut-off'],
  'hand-tug': ['cut-off'],
  'insulation-bite': ['cut-off', 'mend'],
  'trim-flush': ['trim'],
  'cover-home': ['mend', 'cut-off'],
  'sleeve-centred': ['mend', 'cut-off'],
  'sealed-both-ends': ['mend', 'cut-off'],
  straight: ['cut-off'],
};

export interface GateStep {
  readonly gate: Gate;
  /** The end of a splice it is about; 1 for steps of the whole piece, and for everything that has one end. */
  readonly end: End;
  /** Gate and end in one: what tells the steps of one set-up apart. */
  readonly key: string;
  /** The instruction, as a headline. */
  readonly headline: string;
  readonly why: string;
  /** What the person confirms. */
  readonly confirm: string;
  readonly caution: string | null;
  /** What can be done when it is not so, the likeliest first. */
  readonly remedies: readonly Remedy[];
  /** What is looked at in this step, point by point; empty where it asks one thing. */
  readonly points: readonly EndPoint[];
}

/** What the steps follow from. */
export interface GateContext {
  readonly terminal: Terminal;
  readonly wire: Wire;
  readonly practice: Practice;
  readonly strip: StripWindow;
  readonly tool: Pick<ToolCandidate, 'tool' | 'nest' | 'setting' | 'positioner' | 'insulationPosition' | 'stepDown'>;
  readonly lies: Orientation;
  /** Bites on one barrel. */
  readonly bites: number;
  readonly end: End;
  /** Position the insulation grip was left at by the end before; null at the first. */
  readonly setBefore: string | null;
}

/**
 * The steps of making the crimp, each a gate that has to be answered before the next one shows. Slide-on items come
 * first, because remembered too late they cost the joint. Of a splice one end is made whole, then the other, then what covers both.
 * @param second the other end of a splice; null where there is none, or nothing is known of it
 */
export function gates(first: GateContext, second: GateContext | null = null): GateStep[] {
  const of = (steps: readonly MakeStep[], context: GateContext) =>
    steps
      .flatMap((step) => step(context) ?? [])
      .map((step) => ({
        points: [],
        ...step,
        ...{ end: context.end, key: atEnd(step.gate, context.end), remedies: AFTER_NO[step.gate] },
      }));
  return [
    ...of([slideOn, ...MAKING], first),
    ...(second ? of([stillOn, ...MAKING], second) : []),
    ...of(COVERING, first),
  ];
}

type Step = Omit<GateStep, 'remedies' | 'end' | 'key' | 'points'> & Partial<Pick<GateStep, 'points'>>;
type MakeStep = (context: GateContext) => Step | null;
const named = (items: readonly { readonly label: string }[]) => items.map((item) => item.label).join(' and ');

const slideOn: MakeStep = ({ terminal }) => {
  if (!terminal.slideOn.length) return null;
  const items = named(terminal.slideOn);
  const ways = terminal.slideOn
    .filter((item) => item.wayRound !== null)
    .map((item) => `${capital(item.label)}: ${item.wayRound}.`)
    .join(' ');
  return {
    gate: 'slide-on',
    headline: `Slide on first: ${items}.`,
    why: `${ways ? `${ways} ` : ''}It cannot be put on after the crimp. ${whereItWaits(terminal)}`,
    confirm: `${capital(items)} is on the wire${ways ? ', right way round' : ''}`,
    caution: null,
  };
};

/** What was slid on before end 1 was made has to be there before end 2 closes it in. */
const stillOn: MakeStep = ({ terminal }) => {
  const waiting = terminal.slideOn.filter((item) => item.kind !== 'seal');
  if (!waiting.length) return null;
  const items = named(waiting);
  return {
    gate: 'slide-on',
    headline: `Still on the wire: ${items}.`,
    why: 'The last moment it can be put on: once this end is pressed, it is closed in between the two wires.',
    confirm: `${capital(items)} is on the wire`,
    caution: null,
  };
};

/** Every step of making one end there is, in the order of the work; null where this set-up has none of it. */
const MAKING: readonly MakeStep[] = [
  ({ wire, practice, strip }) => {
    const by = strip.bySheet ? ', as the sheet says' : '';
    const at =
      strip.setPoint === null || !strip.window
        ? 'No strip length is set.'
        : `Strip ${strip.setPoint} mm${by}; ${showRange(strip.window, 1, ' to ')} mm is good.${
            strip.folded ? ' Fold the strands back on themselves.' : ''
          }`;
    return {
      gate: 'strip-looked-at',
      headline: 'Look at the stripped end and at the slug.',
      why: at,
      confirm: 'End and slug are clean',
      caution: 'Clear cut strands off the bench.',
      points: endPoints(wire, practice),
    };
  },
  ({ terminal, tool, end, setBefore }) => {
    const settings = [
      end === 2 || tool.setting === null ? null : `selector to ${tool.setting}`,
      end === 2 || tool.positioner === null
        ? null
        : `${tool.positioner.label}${
            tool.positioner.adjustable && tool.positioner.depth !== null ? ` at ${tool.positioner.depth} mm` : ''
          }`,
      tool.insulationPosition === null || terminal.insulationRange === null || tool.insulationPosition === setBefore
        ? null
        : `insulation grip to ${tool.insulationPosition}`,
    ].filter((setting) => setting !== null);
    if (!settings.length) return null;
    return {
      gate: 'setting',
      headline: `Set the tool: ${settings.join(', ')}.`,
      why: 'A wrong setting or depth makes a crimp that looks right from outside.',
      confirm: 'The tool is set so',
      caution: null,
    };
  },
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
      why: `${lies.why} ${tool.tool.partStroke ? 'A part stroke holds it without pressing. ' : ''}${loose}`,
      confirm: lies.confirm,
      caution: 'Nothing is crimped on a live circuit.',
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
  ({ terminal }) =>
    terminal.barrel.inspection && familyOf(terminal).asksForHole
      ? {
          gate: 'wire-seen',
          headline: 'The wire is seen in the inspection hole.',
          why: 'A wire that is not bottomed is held by half the barrel and may still pass a light tug.',
          confirm: 'Wire is seen in the hole',
          caution: null,
        }
      : null,
  (context) => {
    const { strip, tool, bites } = context;
    const cycle = cycleOf(tool.tool);
    const isPowered = tool.tool.kind === 'press' || tool.tool.kind === 'hydraulic';
    const grip = hasTwoStrokes(context) ? 'Conductor grip only: ' : '';
    return {
      gate: 'cycle-complete',
      headline: capital(
        bites <= 1 ? `${grip}one bite, ${cycle.until}.` : `${grip}${bites} bites, each ${cycle.until}.`,
      ),
      why: `${strip.rule === 'stop' || strip.rule === 'lug' ? 'Wire in until it bottoms, light pressure kept. ' : ''}${cycle.why}`,
      confirm: cycle.confirm,
      caution: isPowered
        ? 'Fingers out of the press and its dies; guard closed. Battery and mains work: released specifications and qualified people decide.'
        : 'Fingers out of the dies.',
    };
  },
  ({ tool: { nest } }) => ({
    gate: 'mark-matches',
    headline: `Read the mark: ${nest.mark}.`,
    why: 'The die leaves its mark on the piece. Another mark is another nest, whatever the piece looks like.',
    confirm: `The mark is ${nest.mark}`,
    caution: null,
  }),
  ({ end }) =>
    end === 1
      ? null
      : {
          gate: 'straight',
          headline: `The splice is straight, within ${STRAIGHT}°.`,
          why: 'A splice bent in its second bite works its wires where the barrel ends. It is not bent back.',
          confirm: 'Both ends lie in one line',
          caution: null,
        },
  ({ end }) => ({
    gate: 'hand-tug',
    headline: end === 1 ? 'A light tug by hand.' : 'A light tug by hand on each side.',
    why: 'It finds a wire that was never held. It is a gate, not evidence: the pull test still has to come.',
    confirm: 'Nothing moved',
    caution: null,
  }),
  (context) => {
    if (!hasTwoStrokes(context)) return null;
    const { terminal, tool, practice } = context;
    const leavesOpen = canLeaveOpen(terminal, tool.nest) && practice.pullEvidence === 'grip-open';
    return {
      gate: 'insulation-bite',
      headline: 'Now the insulation grip.',
      why: `Snug on the insulation, not cutting in. The conductor grip has been tried before it is hidden.${
        leavesOpen ? ' On the pieces for the pull it stays open, so that the conductor grip alone is pulled.' : ''
      }`,
      confirm: leavesOpen ? 'Insulation grip is closed, or left open for the pull' : 'Insulation grip is closed',
      caution: null,
    };
  },
];

/** What comes once every end is made. */
const COVERING: readonly MakeStep[] = [
  ({ terminal }) =>
    terminal.trimFlush
      ? {
          gate: 'trim-flush',
          headline: 'Cut the wire end flush with the ferrule.',
          why: 'The clamp it goes into has no room for strands in front of the ferrule.',
          confirm: 'Wire end is flush',
          caution: 'Clear cut strands off the bench.',
        }
      : null,
  ({ terminal }) => {
    const covers = terminal.slideOn.filter(({ kind }) => kind === 'insulator' || kind === 'boot' || kind === 'collar');
    if (!covers.length) return null;
    const items = named(covers);
    return {
      gate: 'cover-home',
      headline: `Push home: ${items}.`,
      why: 'It has to cover the whole contact and hold there by itself.',
      confirm: `${capital(items)} is home`,
      caution: null,
    };
  },
  ({ terminal }) =>
    terminal.slideOn.some((item) => item.kind === 'sleeve')
      ? {
          gate: 'sleeve-centred',
          headline: 'Move the sleeve over the joint and centre it.',
          why: 'The same length of insulation has to be covered on both sides.',
          confirm: 'The sleeve is centred',
          caution: null,
        }
      : null,
  ({ terminal, practice }) => {
    if (!terminal.sealingHeat) return null;
    const heat = `${terminal.sealingHeat.min}–${terminal.sealingHeat.max} °C`;
    const isFlame = practice.sealingHeat === 'flame';
    const heater =
      terminal.heaterSetting === null || isFlame
        ? 'that is not what the heater is set to, which its own sheet says.'
        : `for that the heater is set to ${terminal.heaterSetting} °C.`;
    return {
      gate: 'sealed-both-ends',
      headline: terminal.sealed
        ? 'Shrink from the middle outwards until adhesive shows at both ends.'
        : 'Shrink from the middle outwards until the sleeve lies close at both ends.',
      why: `${isFlame ? 'Flame at a distance' : 'Hot air with a deflector'}, kept moving. The sleeve itself has to reach ${heat}; ${heater} Slight discolouring is tolerated, charring is not.`,
      confirm: terminal.sealed ? 'Adhesive shows at both ends' : 'Sleeve lies close at both ends',
      caution: `${
        isFlame
          ? 'A flame only where nothing can catch fire: never near fuel, vapour, oil, solvent or trim.'
          : 'Hot air and hot sleeves burn. No flame or glowing element near fuel, oil, solvent or vapour.'
      } Let the heater run cold before switching it off.`,
    };
  },
];

/** The conductor grip is closed and tried before the insulation grip, by the house rules or because the nest does so. */
function hasTwoStrokes({ terminal, tool, practice }: GateContext): boolean {
  return (
    terminal.barrel.betweenGrips !== null &&
    (practice.twoGrips === 'conductor-first' || canLeaveOpen(terminal, tool.nest))
  );
}

/** The end of a cycle as the tool's own sheet tells it, else as its kind does; and how it is broken off. */
function cycleOf({ kind, cycleEnd, release }: Pick<Tool, 'kind' | 'cycleEnd' | 'release'>) {
  const usual = CYCLES[kind];
  const out = release === null ? '' : ` Placed wrong? Break it off before it presses: ${release}.`;
  return cycleEnd === null
    ? { ...usual, why: `${usual.why}${out}` }
    : {
        until: `until ${cycleEnd}`,
        why: `Short of that sign the crimp is not made.${out}`,
        confirm: capital(cycleEnd),
      };
}

/** How each kind of tool says that it has closed as far as it has to. */
const CYCLES: Readonly<
  Record<Tool['kind'], { readonly until: string; readonly why: string; readonly confirm: string }>
> = {
  plier: {
    until: 'until the handles stop',
    why: 'Nothing holds these handles until the crimp is made: close them as far as they go, in one squeeze.',
    confirm: 'The handles went all the way',
  },
  'full-cycle': {
    until: 'until the tool opens by itself',
    why: 'A tool that has to be forced open has not made the crimp.',
    confirm: 'The tool opened by itself',
  },
  press: {
    until: 'until the ram is back at the top',
    why: 'A stroke that stops on its way has not made the crimp.',
    confirm: 'The ram made its whole stroke',
  },
  hydraulic: {
    until: 'until full pressure is reached',
    why: 'The pump turns idle or clicks when full pressure was reached. A head opened before that has not made the crimp.',
    confirm: 'Full pressure was reached',
  },
};

/** Where a slid-on part stays until it is needed. No word of heat where nothing is heated. */
function whereItWaits({ slideOn, sealingHeat }: Terminal): string {
  const waits = sealingHeat
    ? 'Push it well back, clear of the hot end.'
    : slideOn.some((item) => item.kind !== 'seal')
      ? 'Push it well back, out of the tool’s way.'
      : '';
  const seal = slideOn.some((item) => item.kind === 'seal')
    ? 'After stripping the seal comes forward until its neck is level with the insulation edge.'
    : '';
  return [waits, seal].filter(Boolean).join(' ');
}
