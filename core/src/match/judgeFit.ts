import type { Practice } from '../practice';
import {
  familyOf,
  isInRange,
  materialsPair,
  rangeLabel,
  rangeOf,
  readStamp,
  takesLabel,
  type Terminal,
} from '../terminal';
import { percentOf, withArticle } from '../text';
import { reason, type Reason } from '../verdict';
import { metalArea, nominalArea, sizeLabel, strandingClass, type Wire } from '../wire';

export const PLACES = ['dry', 'wet'] as const;
/** Where the finished termination lives. */
export type Place = (typeof PLACES)[number];

/** What the place of use asks of the joint; null where nothing is asked. */
export interface Demand {
  /** Stud or mating size the joint goes onto, as printed, e.g. 'M4'. */
  readonly stud: string | null;
  /** Highest temperature of the place, degC. */
  readonly temperature: number | null;
  /** A */
  readonly current: number | null;
  /** V */
  readonly voltage: number | null;
  /** Fuel, oil or vapour is near where it is made or used: no flame and nothing that glows. Absent where nobody says so. */
  readonly fuelNear?: true | undefined;
}

export const NO_DEMAND: Demand = { stud: null, temperature: null, current: null, voltage: null };

/** Place and demand: everything that is known of where the joint will be. */
export interface Use extends Demand {
  readonly place: Place;
}

export interface FitVerdict {
  readonly verdict: 'fits' | 'edge' | 'no';
  /** The conductor is folded back to double its area. */
  readonly folded: boolean;
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
 * Whether these wires and this terminal belong together, with every reason, good ones included.
 *
 * Conductor size is compared by label where wire and terminal are printed in the same scale, else by the conductor's
 * real metal area. A conductor in range by label whose metal lies outside the range by more than the edge band is
 * 'edge', because the label then hides it. Outside the range by up to the practice's edge band is 'edge' (trial
 * evidence needed), further is 'no'. Several wires in one barrel are compared by the sum of their metal. A thin
 * conductor may be folded back to double its area where sheet and practice allow it, a fine one always where the practice says so.
 * The worst reason decides.
 *
 * @param terminal the terminal with its printed ranges (mm, mm2 or AWG)
 * @param wires the wires that share the barrel, at least one, each with its real construction
 * @param use where the joint lives; wet places need a sealed terminal
 * @param practice for `edgeBand` and `thinWire`
 */
export function judgeFit(terminal: Terminal, wires: readonly Wire[], use: Use, practice: Practice): FitVerdict {
  const size = conductorSize(terminal, wires, practice);
  const reasons = [
    stud(terminal, use),
    size,
    wireCount(terminal, wires),
    stampAgainstSheet(terminal, wires, size),
    ...wires.flatMap((wire) => [
      conductorKind(terminal, wire),
      stranding(terminal, wire),
      insulation(terminal, wire, wires.length, practice),
      seal(terminal, wire, wires.length),
      material(terminal, wire),
    ]),
    temperature(terminal, wires, use),
    rating('current', 'A', terminal.current, use.current),
    rating('voltage', 'V', terminal.voltage, use.voltage),
    wetPlace(terminal, use.place),
    adhesiveAlways(terminal, use.place, practice),
    insulationOfPart(terminal, practice),
    sleeveColour(terminal),
  ]
    .filter((found) => found !== null)
    // Two wires alike have the same said of them: once is enough.
    .filter(({ code, text }, i, all) => all.findIndex((one) => one.code === code && one.text === text) === i);
  const verdict = reasons.some((r) => r.weight === 'bad')
    ? 'no'
    : reasons.some((r) => r.weight === 'hold')
      ? 'edge'
      : 'fits';
  return { verdict, folded: size.code === 'folded-back', reasons };
}

function stud(terminal: Terminal, use: Use): Reason | null {
  if (use.stud === null) return null;
  const plain = (text: string) => text.toUpperCase().replace(/\s+/g, '');
  const asked = use.stud.trim();
  if (terminal.stud === null) {
    return reason('stud-size', 'bad', `The joint goes onto ${asked} and this terminal goes onto nothing.`);
  }
  if (plain(terminal.stud) === plain(asked)) {
    return reason('stud-size', 'good', `It goes onto ${terminal.stud}, as asked.`);
  }
  return reason(
    'stud-size',
    'bad',
    `It is made for ${terminal.stud} and the joint goes onto ${asked}. The hole and the wire are two sizes: both have to be right.`,
  );
}

function conductorSize(terminal: Terminal, wires: readonly Wire[], practice: Practice): Reason {
  const [wire] = wires;
  if (!wire) return reason('no-wire', 'bad', 'There is no wire to compare.');
  const printed = rangeOf(terminal, wire.conductor.size);
  const { smallest, largest } = printed;
  const { size } = wire.conductor;
  const area = wires.reduce((sum, w) => sum + metalArea(w.conductor), 0);
  const min = nominalArea(smallest);
  const max = nominalArea(largest);
  const band = practice.edgeBand;
  const range = rangeLabel(printed);
  const numbers = { area, min, max, band };
  const sameScale = smallest.scale === size.scale && largest.scale === size.scale;
  const measured = `${area.toFixed(2)} mm² of metal`;

  if (wires.length > 1) {
    const what = `${wires.map((w) => sizeLabel(w.conductor.size)).join(' and ')} together, ${measured},`;
    if (area >= min && area <= max) {
      return reason('conductors-together', 'good', `${what} are in the range ${range}.`, numbers);
    }
    return outside(area, min, max, band, what, range, numbers);
  }
  const value = sameScale ? nominalArea(size) : area;
  const tooThin = value < min * (1 - band);
  const byHabit = practice.thinWire === 'fold-always' && area <= FINE + 1e-9;
  if (terminal.foldBack && practice.thinWire !== 'right-terminal' && (tooThin || byHabit)) {
    const double = 2 * area;
    const isIn = double >= min && double <= max;
    const isInBand = practice.foldedEdge === 'doubled' && double >= min * (1 - band) && double <= max * (1 + band);
    // What fits single is not folded into the edge.
    if (isIn || (isInBand && tooThin)) {
      const single = tooThin
        ? `${sizeLabel(size)} is below the range ${range}`
        : `The house rules fold conductors up to ${FINE} mm² back`;
      const edge = isIn ? `is in ${tooThin ? 'it' : range}` : 'is within the edge band of it';
      return reason(
        'folded-back',
        isIn ? 'note' : 'hold',
        `${single}; folded back it has ${double.toFixed(2)} mm² and ${edge}. The sheet allows folding back.`,
        { ...numbers, double },
      );
    }
  }
  if (sameScale) {
    if (isInRange(value, { min, max })) {
      if (area < min * (1 - band) || area > max * (1 + band)) {
        return reason(
          'conductor-metal',
          'hold',
          `${sizeLabel(size)} is in the printed range ${range}, but this construction has ${measured}.`,
          numbers,
        );
      }
      return reason('conductor-size', 'good', `${sizeLabel(size)} is in the printed range ${range}.`, numbers);
    }
    return outside(value, min, max, band, sizeLabel(size), range, numbers);
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

/**
 * What is stamped on the part against its sheet: where one takes this conductor and the other does not, or where they have no size in
 * common, one of them is of another part.
 */
function stampAgainstSheet(terminal: Terminal, wires: readonly Wire[], size: Reason): Reason | null {
  if (terminal.stamp === null) return null;
  const { readings: all, contradiction } = readStamp(terminal.stamp);
  // Where one reading names the stud this terminal goes onto, that is what the stamp means.
  const own = all.filter(({ stud: named }) => named !== null && named === terminal.stud);
  const readings = own.length ? own : all;
  const printed = rangeOf(terminal, wires[0]?.conductor.size);
  const range = rangeLabel(printed);
  const find = 'The sheet or the part is another one: find out which before anything is crimped.';
  if (contradiction !== null) return reason('stamp-contradicts', 'hold', `${contradiction} ${find}`);
  // What no reading makes sense of says nothing of size: a part number, a maker's sign.
  if (!readings.length) return null;
  const said = `The part is stamped ${terminal.stamp} (${readings.map((r) => r.wire).join(' or ')})`;
  const min = nominalArea(printed.smallest);
  const max = nominalArea(printed.largest);
  const meets = readings.some(({ area }) => area.max >= min * (1 - LABEL_PLAY) && area.min <= max * (1 + LABEL_PLAY));
  if (!meets)
    return reason(
      'stamp-contradicts',
      'hold',
      `${said} and its sheet says ${range}: they have no size in common. ${find}`,
    );
  const area = wires.reduce((sum, wire) => sum + metalArea(wire.conductor), 0);
  const isTaken = readings.some((r) => area >= r.area.min * (1 - LABEL_PLAY) && area <= r.area.max * (1 + LABEL_PLAY));
  const isOnSheet = size.weight !== 'bad';
  if (isTaken === isOnSheet || size.code === 'folded-back') return null;
  return reason(
    'stamp-contradicts',
    'hold',
    isTaken
      ? `${said}, which takes ${area.toFixed(2)} mm²; its sheet says ${range}, which does not. ${find}`
      : `${said}, which does not take ${area.toFixed(2)} mm²; its sheet says ${range}, which does. ${find}`,
    { area, min, max },
  );
}
/** Conductors the strictest school folds back wherever the sheet allows it, up to this area, mm2. */
const FINE = 0.35;

/** Labels and metal differ by so much without anybody being wrong. */
const LABEL_PLAY = 0.1;

/** What is off by exactly the edge band is within it, whatever the last digit of a sum says. */
const PLAY = 1e-9;

function wireCount(terminal: Terminal, wires: readonly Wire[]): Reason | null {
  if (wires.length === 1) return null;
  const numbers = { wires: wires.length, most: terminal.mostWires };
  return wires.length <= terminal.mostWires
    ? reason('wires-in-barrel', 'good', `The barrel takes up to ${terminal.mostWires} wires.`, numbers)
    : reason(
        'wires-in-barrel',
        'bad',
        terminal.mostWires === 1
          ? `The barrel is for one wire and ${wires.length} are wanted in it.`
          : `The barrel takes ${terminal.mostWires} wires and ${wires.length} are wanted in it.`,
        numbers,
      );
}

function stranding(terminal: Terminal, wire: Wire): Reason | null {
  const { kind } = wire.conductor;
  if (!terminal.strandingClasses.length || kind !== 'stranded') return null;
  const found = strandingClass(wire.conductor);
  return terminal.strandingClasses.includes(found)
    ? reason('stranding-class', 'good', `Stranding class ${found} is on the sheet.`)
    : reason(
        'stranding-class',
        'bad',
        `The conductor is stranding class ${found} and the sheet names ${terminal.strandingClasses.join(' and ')} only.`,
      );
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
  const percent = percentOf(off, 2);
  const verb = what.includes('together') ? 'are' : 'is';
  if (off <= band + PLAY) {
    return reason(
      `conductor-${side}-edge`,
      'hold',
      `${what} ${verb} ${percent} ${side} the range ${range}, within the edge band of ${percentOf(band)}.`,
      { ...numbers, off },
    );
  }
  return reason(
    `conductor-${side}`,
    'bad',
    `${what} ${verb} ${percent} ${side} the range ${range}. ${
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

/** Round insulations side by side need a grip as wide as all of them; their areas add, so the diameters by root. */
function togetherDiameter(wire: Wire, count: number): number {
  return count === 1 ? wire.insulationDiameter : Number((wire.insulationDiameter * Math.sqrt(count)).toFixed(2));
}

function insulation(terminal: Terminal, wire: Wire, count: number, practice: Practice): Reason | null {
  const range = terminal.insulationRange;
  if (!range) return null;
  const d = togetherDiameter(wire, count);
  const numbers = { diameter: d, min: range.min, max: range.max };
  const label = `${range.min}–${range.max} mm`;
  if (d >= range.min && d <= range.max) {
    return reason('insulation', 'good', `Insulation ${d} mm is in the support’s range ${label}.`, numbers);
  }
  const below = d < range.min;
  const off = below ? 1 - d / range.min : d / range.max - 1;
  const within = off <= practice.edgeBand + PLAY;
  return reason(
    below ? 'insulation-thin' : 'insulation-thick',
    within ? 'hold' : 'bad',
    `Insulation ${d} mm is ${below ? 'below' : 'above'} the support’s range ${label}. ${
      below ? 'The grip would hold nothing.' : 'The grip would split or cut it.'
    }${within ? ' It is within the edge band.' : ''}`,
    numbers,
  );
}

/** A seal leaks or tears outside its range: no edge band for it. */
function seal(terminal: Terminal, wire: Wire, count: number): Reason | null {
  const range = terminal.sealRange;
  if (!range) return null;
  const d = wire.insulationDiameter;
  const numbers = { diameter: d, min: range.min, max: range.max };
  const label = `${range.min}–${range.max} mm`;
  if (count > 1) {
    return reason('seal-wires', 'bad', 'A wire seal closes on one wire; between two it leaks.', { wires: count });
  }
  if (d >= range.min && d <= range.max) {
    return reason('seal', 'good', `Insulation ${d} mm is in the seal’s range ${label}.`, numbers);
  }
  return d < range.min
    ? reason('seal-loose', 'bad', `Insulation ${d} mm is below the seal’s range ${label}: water gets past it.`, numbers)
    : reason('seal-tight', 'bad', `Insulation ${d} mm is above the seal’s range ${label}: the seal tears.`, numbers);
}

function material(terminal: Terminal, wire: Wire): Reason | null {
  if (materialsPair(terminal.material, wire.conductor.material)) return null;
  return reason(
    'material-pair',
    'bad',
    `${wire.conductor.material === 'aluminium' ? 'An aluminium conductor' : 'A copper conductor'} does not belong in ${withArticle(terminal.material)} barrel: the pair corrodes and loosens.`,
  );
}

function temperature(terminal: Terminal, wires: readonly Wire[], use: Use): Reason {
  const wire = Math.min(...wires.map((w) => w.temperature));
  const numbers = { terminal: terminal.temperature, wire };
  const joint = Math.min(terminal.temperature, wire);
  if (use.temperature !== null && use.temperature > joint) {
    return reason(
      'temperature',
      'bad',
      `The place reaches ${use.temperature} °C and the joint is good to ${joint} °C, the lower of wire and terminal.`,
      { ...numbers, place: use.temperature },
    );
  }
  return reason('temperature', 'note', `The joint is good to ${joint} °C, the lower of wire and terminal.`, numbers);
}

function rating(
  what: 'current' | 'voltage',
  unit: 'A' | 'V',
  rated: number | null,
  asked: number | null,
): Reason | null {
  if (asked === null) return null;
  if (rated === null) {
    return reason(
      what,
      'note',
      `${asked} ${unit} are asked and the sheet on record names no ${what}: look it up before it is used.`,
      { asked },
    );
  }
  const numbers = { asked, rated };
  return asked <= rated
    ? reason(what, 'good', `${asked} ${unit} are asked and the contact carries ${rated} ${unit}.`, numbers)
    : reason(what, 'bad', `${asked} ${unit} are asked and the contact carries ${rated} ${unit} only.`, numbers);
}

function wetPlace(terminal: Terminal, place: Place): Reason | null {
  if (place === 'dry') return null;
  const { inTheWet } = familyOf(terminal);
  if (terminal.sealed && inTheWet !== null) return reason('wet-place', 'note', inTheWet);
  return terminal.sealed
    ? reason('wet-place', 'good', 'The place of use is wet and the joint is sealed.')
    : reason('wet-place', 'bad', 'The place of use is wet and this terminal has no seal.');
}

/** A strict school takes adhesive everywhere; a wet place refuses what is not sealed by itself. */
function adhesiveAlways(terminal: Terminal, place: Place, practice: Practice): Reason | null {
  if (practice.adhesive !== 'always' || place === 'wet' || terminal.sealed || !familyOf(terminal).isSleeved)
    return null;
  return reason(
    'adhesive-always',
    'bad',
    `The house rules (${practice.label}) take sleeves with adhesive everywhere, and this one has none. The place of use is dry and would not ask for it.`,
  );
}

/** Some houses buy insulated parts alone, some bare ones alone and cover them; what is sealed by adhesive is neither. */
function insulationOfPart(terminal: Terminal, practice: Practice): Reason | null {
  const { insulatedParts } = practice;
  const { isSleeved, name } = familyOf(terminal);
  const said = `The house rules (${practice.label}) take`;
  if (insulatedParts === 'insulated' && terminal.family === 'bare-terminal')
    return reason('part-bare', 'bad', `${said} terminals with a sleeve of their own, and this one is bare.`);
  if (insulatedParts === 'bare-and-tube' && isSleeved && !terminal.sealed && terminal.barrel.seam !== 'open')
    return reason(
      'part-insulated',
      'bad',
      `${said} bare parts with a shrink tube over them, and this is ${withArticle(name)}.`,
    );
  return null;
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
    `The ${terminal.sleeve} sleeve usually means ${hint.min}–${hint.max} mm², but the sheet says ${takesLabel(terminal)}. The sheet decides; check the part.`,
    { min, max, hintMin: hint.min, hintMax: hint.max },
  );
}
