import { atEnd, endOf, ofEnd, type End } from '../terminal';
import type { EndPoint } from './endPoints';

export const GATES = [
  'die-codes',
  'die-side',
  'die-tight',
  'slide-on',
  'strip-looked-at',
  'setting',
  'locator',
  'orientation',
  'seated',
  'held',
  'wire-in',
  'position',
  'wire-seen',
  'cycle-complete',
  'formed',
  'mark-matches',
  'straight',
  'hand-tug',
  'insulation-bite',
  'grip-open',
  'trim-flush',
  'cover-home',
  'look-before-cover',
  'sleeve-centred',
  'heater-set',
  'sealed-both-ends',
  'cooled',
  'greased',
] as const;
export type Gate = (typeof GATES)[number];

/** Each step by its name, where a record tells of it; on the bench it stands in the set-up's own words and numbers. */
export const GATE_NAMES: Readonly<Record<Gate, string>> = {
  'die-codes': 'codes of the die’s halves',
  'die-side': 'marked side of the die',
  'die-tight': 'die seated and tight',
  'slide-on': 'parts slid on first',
  'strip-looked-at': 'stripped end looked at',
  setting: 'setting of the tool',
  locator: 'place of the locator',
  orientation: 'way round',
  seated: 'terminal seated in the nest',
  held: 'held by a part stroke',
  'wire-in': 'wire pushed home',
  position: 'place in the nest',
  'wire-seen': 'wire seen where it has to be',
  'cycle-complete': 'full cycle',
  formed: 'forming stroke',
  'mark-matches': 'mark of the die',
  'hand-tug': 'tug by hand',
  'insulation-bite': 'bite on the insulation',
  'grip-open': 'insulation grip of the pieces to be pulled',
  'trim-flush': 'wire end trimmed flush',
  'cover-home': 'cover in its place',
  'look-before-cover': 'joint looked at before it is covered',
  'sleeve-centred': 'sleeve in the middle',
  'heater-set': 'heat for the sleeve',
  'sealed-both-ends': 'sealed at both ends',
  cooled: 'cool before it is handled',
  straight: 'splice straight',
  greased: 'contact grease',
};

export const REMEDIES = ['mend', 'trim', 'take-out', 'again', 'cut-off'] as const;
/** What can be done when a step is not as it should be. */
export type Remedy = (typeof REMEDIES)[number];

/** Each as what is to be done, and as what was done. */
export const REMEDY_WORDS: Readonly<Record<Remedy, { readonly toDo: string; readonly done: string }>> = {
  mend: { toDo: 'Put it right', done: 'put right' },
  trim: { toDo: 'Trim the wire end', done: 'wire end trimmed' },
  'take-out': { toDo: 'Take it out, load it again', done: 'taken out and loaded again' },
  again: { toDo: 'Close it once more, nothing moved', done: 'closed once more in the same place' },
  'cut-off': { toDo: 'Cut it off, make the end again', done: 'cut off and the end made again' },
};

/**
 * What each step leaves to be done, the likeliest first. Before the bite nothing is lost but time or a little wire; a piece that was
 * pressed the wrong way or in the wrong place is never pressed again, and a part forgotten under it costs the end.
 */
export const AFTER_NO: Readonly<Record<Gate, readonly Remedy[]>> = {
  'die-codes': ['mend'],
  'die-side': ['mend'],
  'die-tight': ['mend'],
  'slide-on': ['mend', 'cut-off'],
  'strip-looked-at': ['trim', 'cut-off', 'mend'],
  setting: ['mend', 'take-out'],
  locator: ['mend'],
  orientation: ['take-out', 'cut-off'],
  seated: ['take-out', 'cut-off'],
  held: ['take-out', 'cut-off'],
  'wire-in': ['take-out', 'trim', 'cut-off'],
  position: ['take-out', 'trim', 'cut-off'],
  'wire-seen': ['take-out', 'cut-off'],
  'cycle-complete': ['cut-off'],
  formed: ['cut-off'],
  'mark-matches': ['cut-off'],
  'hand-tug': ['cut-off'],
  'insulation-bite': ['cut-off', 'mend'],
  'grip-open': ['mend', 'cut-off'],
  'trim-flush': ['trim'],
  'cover-home': ['mend', 'cut-off'],
  'look-before-cover': ['cut-off'],
  'sleeve-centred': ['mend', 'cut-off'],
  'heater-set': ['mend'],
  cooled: ['mend', 'cut-off'],
  'sealed-both-ends': ['mend', 'cut-off'],
  straight: ['cut-off'],
  greased: ['mend'],
};

export const STROKE_FINDS = ['still', 'moves'] as const;
/** What the barrel does after a forming stroke: it has come to rest in its nest, or the next nest still moves it. */
export type StrokeFind = (typeof STROKE_FINDS)[number];

export interface GateStep {
  readonly gate: Gate;
  /** The end of a splice it is about; 1 for steps of the whole piece, and for everything that has one end. */
  readonly end: End;
  /** The bite or forming stroke it is about, where each has a step of its own; else 1. */
  readonly bite: number;
  /** Gate, end and bite in one: what tells the steps of one set-up apart. */
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
  /** What can be found in this step beside that it is so; empty for all but a forming stroke that is not the last. */
  readonly finds: readonly StrokeFind[];
}

/** Most bites on one barrel. */
export const MOST_BITES = 6;

/** Names a step as {@link GateStep.key} does: what says no end and no bite is about the first. */
export function gateKey(about: {
  readonly gate: Gate;
  readonly end?: End | undefined;
  readonly bite?: number | undefined;
}): string {
  const own = atEnd(about.gate, endOf(about));
  return about.bite === undefined || about.bite === 1 ? own : `${own}/bite${about.bite}`;
}

/** What an entry on record carries to name a step. */
export const gateAbout = ({ gate, end, bite }: Pick<GateStep, 'gate' | 'end' | 'bite'>) => ({
  gate,
  ...ofEnd(end),
  ...(bite > 1 && { bite }),
});

/** Every name a step can have. */
export const GATE_KEYS: readonly string[] = GATES.flatMap((gate) =>
  ([1, 2] as const).flatMap((end) =>
    Array.from({ length: gate === 'cycle-complete' || gate === 'formed' ? MOST_BITES : 1 }, (_, i) =>
      gateKey({ gate, end, bite: i + 1 }),
    ),
  ),
);
