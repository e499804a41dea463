import type { Family } from '../terminal';
import { reason, type Reason } from '../verdict';

export const JOINTS = ['stud', 'plug', 'wire', 'clamp'] as const;
/** What the wire is joined to: a stud or bolt, a counterpart it is plugged into, another wire, a screw clamp. */
export type Joint = (typeof JOINTS)[number];

export const CONDITIONS = ['hot', 'wet', 'vibration', 'strain', 'often-apart', 'tight-bundle', 'fuel-near'] as const;
/** What the place of use does to the joint. */
export type Condition = (typeof CONDITIONS)[number];

export interface FamilyRank {
  readonly family: Family;
  /** Sum of what speaks for it and against it; only its order means anything. */
  readonly points: number;
  readonly reasons: readonly Reason[];
  /** What keeps the wire from working at this joint. */
  readonly relief: string;
}

export interface Ranking {
  /** Families that can be this joint at all, best first. */
  readonly ranked: readonly FamilyRank[];
  /** Families that cannot, each with why. */
  readonly barred: readonly { readonly family: Family; readonly text: string }[];
  /** How sure the first place is. */
  readonly text: string;
}

type Says = readonly [points: number, text: string];

/** Metal a family is made for, mm2: from where lugs begin, to where insulated terminals and signal contacts end. */
const MADE_FOR: Partial<Record<Family, { readonly least?: number; readonly most?: number; readonly text: string }>> = {
  lug: { least: 6, text: 'A lug begins at about 6 mm²' },
  'insulated-terminal': { most: 7, text: 'Insulated terminals end at about 6 mm²' },
  'signal-contact': { most: 0.5, text: 'A signal contact takes fine wires' },
};

const FAMILIES_OF: Readonly<Record<Joint, readonly Family[]>> = {
  stud: ['insulated-terminal', 'sealed-sleeve-terminal', 'bare-terminal', 'lug'],
  plug: ['open-barrel-contact', 'sealed-contact', 'machined-contact', 'signal-contact', 'insulated-terminal'],
  wire: ['butt-splice', 'window-splice', 'open-barrel-splice'],
  clamp: ['ferrule', 'bare-terminal'],
};

/** What each condition says of each family; a family that is not named is neither better nor worse for it. */
const SAYS: Readonly<Record<Condition, Partial<Record<Family, Says>>>> = {
  hot: {
    'insulated-terminal': [-2, 'its plastic sleeve softens and lets go of the insulation'],
    'butt-splice': [-2, 'its plastic sleeve softens'],
    'sealed-sleeve-terminal': [-1, 'its adhesive flows again above its own limit: compare the place with its sheet'],
    'window-splice': [-1, 'its sealing sleeve has a limit of its own: compare the place with its sheet'],
    'bare-terminal': [1, 'bare metal bears what its plating bears'],
    lug: [1, 'bare metal bears what its plating bears'],
    'machined-contact': [1, 'a turned barrel keeps its grip as it warms and cools'],
  },
  wet: {
    'sealed-contact': [3, 'its seal closes on the wire inside its connector'],
    'sealed-sleeve-terminal': [2, 'its adhesive closes the wire side; the ring stays open: nearly tight, not sealed'],
    'window-splice': [3, 'its adhesive sleeve closes both wires'],
    'butt-splice': [-2, 'its ends stay open: water creeps along the strands'],
    'open-barrel-splice': [-1, 'it is closed only by a tube with adhesive over it'],
    'insulated-terminal': [-2, 'its sleeve keeps fingers off, not water'],
    'bare-terminal': [-2, 'strands stand open: a tube with adhesive over the barrel closes the wire side alone'],
    lug: [-1, 'a tube with adhesive closes the wire side alone; its inspection hole has to be covered'],
    'open-barrel-contact': [-2, 'its strands stand open'],
    'signal-contact': [-2, 'its strands stand open, and they are fine'],
    'machined-contact': [-1, 'only a sealed connector keeps water off it'],
    ferrule: [-2, 'strands stand open at a clamp'],
  },
  vibration: {
    'open-barrel-contact': [1, 'a second grip holds the insulation'],
    'sealed-contact': [2, 'seal and grip both hold the insulation'],
    'machined-contact': [-1, 'nothing of it holds the insulation: the connector’s clamp has to'],
    'signal-contact': [1, 'a second grip holds the insulation'],
    'insulated-terminal': [1, 'its sleeve is pressed onto the insulation'],
    'sealed-sleeve-terminal': [2, 'its adhesive holds the insulation'],
    'bare-terminal': [-2, 'nothing of it holds the insulation: strands break where the barrel ends'],
    lug: [-1, 'a stiff wire works at the barrel: tie it down close to it'],
    'butt-splice': [-1, 'two wires pull on one barrel'],
    'window-splice': [2, 'its shrunk sleeve carries both wires'],
    'open-barrel-splice': [1, 'a tube over it carries both wires'],
    ferrule: [-1, 'a clamp screw works loose: a spring clamp, or tied down close to it'],
  },
  strain: {
    'open-barrel-contact': [1, 'its insulation wings take the pull off the strands'],
    'sealed-contact': [1, 'its wings take the pull off the strands'],
    'signal-contact': [-1, 'fine strands: the connector’s clamp has to take the pull'],
    'machined-contact': [-1, 'the connector’s clamp has to take the pull'],
    'insulated-terminal': [1, 'its sleeve takes some of the pull'],
    'sealed-sleeve-terminal': [2, 'its adhesive takes the pull'],
    'bare-terminal': [-2, 'strands take all of the pull: a long tube over it'],
    lug: [1, 'a long barrel holds more than its wire needs'],
    'butt-splice': [-1, 'each wire pulls on half a barrel'],
    'window-splice': [1, 'its sleeve shares the pull'],
    ferrule: [-2, 'nothing of it takes a pull'],
  },
  'often-apart': {
    'machined-contact': [3, 'made to go together and apart hundreds of times'],
    'sealed-contact': [1, 'goes apart a few dozen times; its seal wears'],
    'open-barrel-contact': [1, 'goes apart a few dozen times; its spring is measured over ten'],
    'signal-contact': [0, 'goes apart a few dozen times'],
    'insulated-terminal': [-1, 'a sleeve turns and cracks as it is taken off again and again'],
    'bare-terminal': [-1, 'its tongue bends and hardens'],
    'sealed-sleeve-terminal': [-1, 'its tongue bends and hardens'],
    lug: [-1, 'for seldom: bolts and pads wear'],
    ferrule: [1, 'a clamp opens and closes on a ferrule again'],
  },
  'tight-bundle': {
    'open-barrel-splice': [2, 'the thinnest of the splices'],
    'butt-splice': [0, 'as thick as its sleeve; stagger them along the bundle'],
    'window-splice': [-1, 'the thickest of the splices: stagger them along the bundle'],
    'signal-contact': [1, 'the smallest contact'],
    'insulated-terminal': [-1, 'its sleeve is wide'],
    'sealed-contact': [-1, 'its seal is wide'],
    'bare-terminal': [1, 'no wider than its barrel'],
  },
  'fuel-near': {
    'sealed-sleeve-terminal': [
      -2,
      'its sleeve is shrunk with heat: no flame and nothing that glows here; make it elsewhere',
    ],
    'window-splice': [-2, 'its sleeve is shrunk with heat: no flame and nothing that glows here; make it elsewhere'],
    'open-barrel-splice': [-1, 'the tube over it is shrunk with heat: make it elsewhere'],
    'sealed-contact': [1, 'sealed without heat'],
  },
};

const RELIEF: Readonly<Record<Family, string>> = {
  'insulated-terminal': 'By its sleeve on the insulation.',
  'sealed-sleeve-terminal': 'By its adhesive sleeve.',
  'bare-terminal': 'By a long tube over barrel and insulation, or tied down close to it.',
  lug: 'By a long tube, and tied down close to the pad.',
  'open-barrel-contact': 'By its insulation wings.',
  'sealed-contact': 'By its wings on the seal.',
  'machined-contact': 'By the connector’s own clamp.',
  'signal-contact': 'By its insulation wings and the connector’s clamp.',
  'butt-splice': 'By its sleeve; tied down on both sides.',
  'window-splice': 'By its sealing sleeve on both wires.',
  'open-barrel-splice': 'By a long tube over both wires.',
  ferrule: 'By the clamp’s own, or tied down close to it.',
};

const NAMES: Readonly<Record<Condition, string>> = {
  hot: 'Hot',
  wet: 'Wet',
  vibration: 'Vibration',
  strain: 'Strain',
  'often-apart': 'Often apart',
  'tight-bundle': 'Tight bundle',
  'fuel-near': 'Fuel near',
};

/**
 * Which termination at all: the families that can be such a joint, ranked by what the place of use does to each, with what speaks
 * for and against each in words. The points only order them; places a point apart are as good as equal, and the text says so. It
 * narrows the choice down: a released drawing or specification decides.
 *
 * @param area metal of the wires, mm2; null where none is in the hand
 * @example a stud, wet and shaking: sealed sleeve 2 + 2, insulated -2 + 1, bare -2 - 2
 */
export function whichTermination(joint: Joint, conditions: ReadonlySet<Condition>, area: number | null): Ranking {
  const barred: { family: Family; text: string }[] = [];
  const ranked = FAMILIES_OF[joint].flatMap((family): FamilyRank[] => {
    const text = whyBarred(family, joint, conditions, area);
    if (text !== null) {
      barred.push({ family, text });
      return [];
    }
    const reasons: Reason[] = CONDITIONS.flatMap((condition) => {
      const says = conditions.has(condition) ? SAYS[condition][family] : undefined;
      if (!says) return [];
      const [points, text] = says;
      return [
        reason(condition, points > 0 ? 'good' : points < 0 ? 'hold' : 'note', `${NAMES[condition]}: ${text}.`, {
          points,
        }),
      ];
    });
    if (joint === 'clamp' && family === 'bare-terminal') {
      reasons.push(
        reason(
          'clamp',
          'hold',
          'A clamp made for wire ends holds a ferrule; a bare pin only where its maker lists it.',
          { points: -1 },
        ),
      );
    }
    if (joint === 'plug' && family === 'insulated-terminal') {
      reasons.push(
        reason('plug', 'note', 'As a push-on tab or bullet: single wires, no connector around them.', { points: -1 }),
      );
    }
    const points = reasons.reduce((sum, each) => sum + (each.numbers['points'] ?? 0), 0);
    return [{ family, points, reasons, relief: RELIEF[family] }];
  });
  ranked.sort((a, b) => b.points - a.points);
  const [first, second] = ranked;
  const said = !first
    ? 'No family is made for this.'
    : !conditions.size
      ? 'Nothing is said of the place: the order means nothing yet.'
      : second && first.points - second.points <= 1
        ? 'The first places are as good as equal: what the shop has tools and people for may decide.'
        : 'The first is clearly ahead. A released drawing or specification decides all the same.';
  return { ranked, barred, text: said };
}

/** Why a family cannot be this joint with these wires; null where it can. */
function whyBarred(
  family: Family,
  joint: Joint,
  conditions: ReadonlySet<Condition>,
  area: number | null,
): string | null {
  if (joint === 'wire' && conditions.has('often-apart')) {
    return 'A splice is not taken apart: plug the wires together instead.';
  }
  const made = MADE_FOR[family];
  if (!made || area === null || (area >= (made.least ?? 0) && area <= (made.most ?? Infinity))) return null;
  return `${made.text}; these wires have ${area.toFixed(2)} mm² of metal.`;
}
