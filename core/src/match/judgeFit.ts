import type { Practice } from '../practice';
import { materialsPair, rangeLabel, type Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { metalArea, nominalArea, sizeLabel, type Wire } from '../wire';

export const PLACES = ['dry', 'wet'] as const;
/** Where the finished termination lives. */
export type Place = (typeof PLACES)[number];

export interface FitVerdict {
  readonly verdict: 'fits' | 'edge' | 'no';
  readonly reasons: readonly Reason[];
}

/**
 * Sizes each sleeve colour is commonly taken to mean, mm2, narrowed to what makers agree on. The colour is a hint;
 * the printed range decides and a clash between the two is shown.
 */
const COLOUR_HINT = {
  red: { min: 0.5, max: 1.0 },
  blue: { min: 1.5, max: 2.5 },
  yellow: { min: 4, max: 6 },
} as const;

/**
 * Whether this wire and this terminal belong together, with every reason, good ones included.
 *
 * Conductor size is compared by label where wire and terminal are printed in the same scale, else by the conductor's
 * real metal area. A conductor in range by label whose metal lies outside the range by more than the edge band is
 * 'edge', because the label then hides it. Outside the range by up to the practice's edge band is 'edge' (trial
 * evidence needed), further is 'no'. The worst reason decides.
 *
 * @param terminal the terminal with its printed ranges (mm, mm2 or AWG)
 * @param wire the wire with its real construction
 * @param place where the joint lives; wet places need a sealed terminal
 * @param practice for `edgeBand`
 */
export function judgeFit(terminal: Terminal, wire: Wire, place: Place, practice: Practice): FitVerdict {
  const reasons = [
    conductorSize(terminal, wire, practice),
    conductorKind(terminal, wire),
    insulation(terminal, wire, practice),
    material(terminal, wire),
    temperature(terminal, wire),
    wetPlace(terminal, place),
    sleeveColour(terminal),
  ].filter((found) => found !== null);
  const verdict = reasons.some((r) => r.weight === 'bad')
    ? 'no'
    : reasons.some((r) => r.weight === 'hold')
      ? 'edge'
      : 'fits';
  return { verdict, reasons };
}

function conductorSize(terminal: Terminal, wire: Wire, practice: Practice): Reason {
  const { smallest, largest } = terminal.conductorRange;
  const { size } = wire.conductor;
  const area = metalArea(wire.conductor);
  const min = nominalArea(smallest);
  const max = nominalArea(largest);
  const band = practice.edgeBand;
  const range = rangeLabel(terminal.conductorRange);
  const numbers = { area, min, max, band };
  const sameScale = smallest.scale === size.scale && largest.scale === size.scale;
  const measured = `${area.toFixed(2)} mm² of metal`;

  if (sameScale) {
    const label = nominalArea(size);
    if (label >= min - 1e-9 && label <= max + 1e-9) {
      if (area < min * (1 - band) || area > max * (1 + band)) {
        return reason(
          'conductor-metal',
          'hold',
          `${sizeLabel(size)} is in the printed range ${range}, but this construction has ${measured}. Trial evidence is needed.`,
          numbers,
        );
      }
      return reason('conductor-size', 'good', `${sizeLabel(size)} is in the printed range ${range}.`, numbers);
    }
    return outside(label, min, max, band, sizeLabel(size), range, numbers);
  }
  if (area >= min && area <= max) {
    return reason(
      'conductor-size',
      'good',
      `Printed in different scales, so compared by metal: ${measured} is in ${range} (${min.toFixed(2)}–${max.toFixed(2)} mm²).`,
      numbers,
    );
  }
  return outside(area, min, max, band, `${sizeLabel(size)} with ${measured}`, range, numbers);
}

function outside(
  value: number,
  min: number,
  max: number,
  band: number,
  what: string,
  range: string,
  numbers: Record<string, number>,
): Reason {
  const below = value < min;
  const off = below ? 1 - value / min : value / max - 1;
  const side = below ? 'below' : 'above';
  const percent = (off * 100).toFixed(off < 0.1 ? 1 : 0);
  if (off <= band) {
    return reason(
      `conductor-${side}-edge`,
      'hold',
      `${what} is ${percent} % ${side} the range ${range}, within the edge band of ${band * 100} %. Trial evidence is needed.`,
      { ...numbers, off },
    );
  }
  return reason(
    `conductor-${side}`,
    'bad',
    `${what} is ${percent} % ${side} the range ${range}. ${
      below
        ? 'The wire would slide in the barrel.'
        : 'The wire will not go in whole, and no strand may be cut to make it.'
    }`,
    { ...numbers, off },
  );
}

function conductorKind(terminal: Terminal, wire: Wire): Reason | null {
  if (wire.conductor.kind === 'soldered') {
    return reason(
      'soldered',
      'bad',
      'The conductor is pre-soldered. Solder creeps under pressure and the joint loosens: cut the tinned end off or take another wire.',
    );
  }
  if (wire.conductor.kind === 'solid' && !terminal.acceptsSolid) {
    return reason('solid', 'bad', 'The conductor is solid and this terminal is for stranded wire only.');
  }
  return null;
}

function insulation(terminal: Terminal, wire: Wire, practice: Practice): Reason | null {
  const range = terminal.insulationRange;
  if (!range) return null;
  const d = wire.insulationDiameter;
  const numbers = { diameter: d, min: range.min, max: range.max };
  const label = `${range.min}–${range.max} mm`;
  if (d >= range.min && d <= range.max) {
    return reason('insulation', 'good', `Insulation ${d} mm is in the support's range ${label}.`, numbers);
  }
  const below = d < range.min;
  const off = below ? 1 - d / range.min : d / range.max - 1;
  const within = off <= practice.edgeBand;
  return reason(
    below ? 'insulation-thin' : 'insulation-thick',
    within ? 'hold' : 'bad',
    `Insulation ${d} mm is ${below ? 'below' : 'above'} the support's range ${label}. ${
      below ? 'The grip would hold nothing.' : 'The grip would split or cut it.'
    }${within ? ' It is within the edge band: trial evidence is needed.' : ''}`,
    numbers,
  );
}

function material(terminal: Terminal, wire: Wire): Reason | null {
  if (materialsPair(terminal.material, wire.conductor.material)) return null;
  return reason(
    'material-pair',
    'bad',
    `${wire.conductor.material === 'aluminium' ? 'An aluminium conductor' : 'A copper conductor'} does not belong in a ${terminal.material} barrel: the pair corrodes and loosens.`,
  );
}

function temperature(terminal: Terminal, wire: Wire): Reason {
  const numbers = { terminal: terminal.temperature, wire: wire.temperature };
  const joint = Math.min(terminal.temperature, wire.temperature);
  return reason('temperature', 'note', `The joint is good to ${joint} °C, the lower of wire and terminal.`, numbers);
}

function wetPlace(terminal: Terminal, place: Place): Reason | null {
  if (place === 'dry') return null;
  return terminal.sealed
    ? reason('wet-place', 'good', 'The place of use is wet and the joint is sealed.')
    : reason('wet-place', 'bad', 'The place of use is wet and this terminal has no seal.');
}

function sleeveColour(terminal: Terminal): Reason | null {
  if (!terminal.sleeve) return null;
  const hint = COLOUR_HINT[terminal.sleeve];
  const min = nominalArea(terminal.conductorRange.smallest);
  const max = nominalArea(terminal.conductorRange.largest);
  if (min <= hint.max && max >= hint.min) return null;
  return reason(
    'sleeve-colour',
    'note',
    `The ${terminal.sleeve} sleeve usually means ${hint.min}–${hint.max} mm², but the sheet says ${rangeLabel(terminal.conductorRange)}. The sheet decides; check the part.`,
    { min, max, hintMin: hint.min, hintMax: hint.max },
  );
}
