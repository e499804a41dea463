import { canLeaveOpen } from '../pulledWith';
import { capital, uncapital } from '../../text';
import type { Tool } from '../../tool';
import { showRange } from '../../units';
import { endPoints } from '../endPoints';
import type { Forming } from '../forming';
import { STROKE_FINDS } from '../Gate';
import { STRAIGHT } from '../orientation';
import { wayOut } from './loading';
import type { GateContext, MakeStep, Step } from './Step';

/** What comes before an end is laid into the nest. */
export const READYING: readonly MakeStep[] = [
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
  ({ locator, tool, end }) =>
    locator && end === 1
      ? {
          gate: 'locator',
          headline: locator.isSet
            ? `${capital(tool.positioner?.label ?? 'the locator')} is set by trial: lock it.`
            : `Set ${tool.positioner?.label ?? 'the locator'} by trial crimps until two in a row are good.`,
          why: locator.next.text,
          confirm: 'Two good in a row; it is locked',
          caution: 'Each trial spends its contact: it never goes into a loom.',
        }
      : null,
];

/** Every step of pressing an end that lies in its nest, and of trying it. */
export const PRESSING: readonly MakeStep[] = [
  (context) => {
    const { strip, tool, bites, practice, forming: inStrokes } = context;
    const cycle = cycleOf(tool.tool);
    const bottoms = strip.rule === 'stop' || strip.rule === 'lug';
    const loading = bottoms && practice.loading === 'in-one' ? 'Wire in until it bottoms, light pressure kept. ' : '';
    const isPowered = tool.tool.kind === 'press' || tool.tool.kind === 'hydraulic';
    const grip = hasTwoStrokes(context) ? 'Conductor grip only: ' : '';
    const whole: Step = {
      gate: 'cycle-complete',
      remedies: practice.secondStroke === 'once-stopped' ? ['again', 'cut-off'] : ['cut-off'],
      headline: capital(
        bites.length <= 1 ? `${grip}one bite, ${cycle.until}.` : `${grip}${bites.length} bites, each ${cycle.until}.`,
      ),
      why: `${loading}${cycle.why}`,
      confirm: cycle.confirm,
      caution: isPowered
        ? 'Fingers out of the press and its dies; guard closed. Battery and mains work: released specifications and qualified people decide.'
        : 'Fingers out of the dies.',
    };
    if (inStrokes) return strokes(inStrokes, whole);
    if (practice.biteSteps === 'in-one' || bites.length < 2) return whole;
    return bites.map(({ order, centre }) => ({
      ...whole,
      bite: order,
      headline: `${grip}Bite ${order} of ${bites.length}: centred ${centre.toFixed(1)} mm from the barrel’s wire end, ${cycle.until}.`,
      why: `${order === 1 ? loading : `Not over bite ${order - 1}: a place that was pressed is never pressed again. `}${cycle.why}`,
      confirm: `${cycle.confirm}; bite ${order} shows ${tool.nest.mark}`,
    }));
  },
  ({ tool: { nest: chosen }, forming: inStrokes }) => {
    const nest = inStrokes?.last ?? chosen;
    return {
      gate: 'mark-matches',
      headline: `Read the mark: ${nest.mark}.`,
      why: 'The die leaves its mark on the piece. Another mark is another nest, whatever the piece looks like.',
      confirm: `The mark is ${nest.mark}`,
      caution: null,
    };
  },
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
    return {
      gate: 'insulation-bite',
      headline: 'Now the insulation grip.',
      why: 'Snug on the insulation, not cutting in. The conductor grip has been tried before it is hidden.',
      confirm: 'Insulation grip is closed',
      caution: null,
    };
  },
  ({ terminal, tool, practice, end }) =>
    end === 1 && canLeaveOpen(terminal, tool.nest) && practice.pullEvidence === 'grip-open'
      ? {
          gate: 'grip-open',
          headline: 'On the pieces for the pull the insulation grip stays open; they lie apart, marked so.',
          why: 'So the conductor grip alone is pulled. A piece with its grip closed is pulled through both and proves less; an open one never goes into a loom.',
          confirm: 'Those pieces are open, apart and marked',
          caution: null,
        }
      : null,
];

/** Strokes of a barrel that is formed nest after nest: each shows once the one before still moved it. */
function strokes({ nests, strokes: made }: Forming, whole: Step): readonly Step[] {
  return nests.slice(0, made).map((nest, i): Step => {
    const isLast = i === nests.length - 1;
    return {
      ...whole,
      gate: 'formed',
      bite: i + 1,
      headline: isLast
        ? `Stroke ${i + 1}, nest ${nest.label}, the last one: close it.`
        : `Stroke ${i + 1}, nest ${nest.label}: close it, then feel whether the next nest would move it.`,
      why: isLast
        ? 'The last nest: nothing goes into a narrower one. A barrel that is not still here belongs to another nest or another wire.'
        : `Still, and it is done: height and mark are this nest’s. It moves, and nest ${nests[i + 1]?.label} comes next.`,
      confirm: 'It is still',
      finds: isLast ? [] : STROKE_FINDS,
      remedies: ['cut-off'],
    };
  });
}

/** The conductor grip is closed and tried before the insulation grip, by the house rules or because the nest does so. */
function hasTwoStrokes({ terminal, tool, practice }: GateContext): boolean {
  return (
    terminal.barrel.betweenGrips !== null &&
    (practice.twoGrips === 'conductor-first' || canLeaveOpen(terminal, tool.nest))
  );
}

/** The end of a cycle as the tool's own sheet tells it, else as its kind does; and how it is broken off. */
function cycleOf({ kind, cycleEnd, ...tool }: Tool) {
  const usual = CYCLES[kind];
  const out = ` ${wayOut(tool)}`;
  return cycleEnd === null
    ? { ...usual, why: `${usual.why}${out}` }
    : {
        until: `until ${uncapital(cycleEnd)}`,
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
