import { familyOf, type Terminal } from '../../terminal';
import { capital } from '../../text';
import { named, type GateContext, type MakeStep } from './Step';

/** What comes once every end is made. */
export const COVERING: readonly MakeStep[] = [
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
  (context) => {
    const { terminal } = context;
    const sleeve = terminal.slideOn.find((item) => item.kind === 'sleeve');
    if (!isBySteps(context) || !sleeve || sleeve.clear) return null;
    const seen = [
      ...(terminal.barrel.inspection ? [`wire seen in the ${familyOf(terminal).words.holeInShort}`] : []),
      ...(terminal.barrel.seam === 'seamless' ? [] : [`way round by its ${familyOf(terminal).words.liesBy}`]),
      'all strands inside',
    ];
    return {
      gate: 'look-before-cover',
      headline: `Look before the ${sleeve.label} covers it: ${seen.join(', ')}.`,
      why: `Nobody sees through this sleeve: what is answered now is final.${familyOf(terminal).isSplice ? ' Both ends.' : ''}`,
      confirm: 'The joint is as it has to be',
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
  (context) => {
    const { terminal, practice } = context;
    if (!isBySteps(context) || !terminal.sealingHeat) return null;
    const isFlame = practice.sealingHeat === 'flame';
    const set =
      terminal.heaterSetting === null || isFlame ? 'by the heater’s own sheet' : `to ${terminal.heaterSetting} °C`;
    return {
      gate: 'heater-set',
      headline: isFlame
        ? `Flame ready; the sleeve has to reach ${heatOf(terminal)}.`
        : `Set the heater ${set}; the sleeve has to reach ${heatOf(terminal)}.`,
      why: 'Two numbers: what the heater is set to and how hot the sleeve itself becomes. The second one decides.',
      confirm: isFlame ? 'The place is fit for a flame' : 'The heater is set so and warm',
      caution: cautionOf(context),
    };
  },
  (context) => {
    const { terminal, practice } = context;
    if (!terminal.sealingHeat) return null;
    const isFlame = practice.sealingHeat === 'flame';
    const heater =
      terminal.heaterSetting === null || isFlame
        ? 'that is not what the heater is set to, which its own sheet says.'
        : `for that the heater is set to ${terminal.heaterSetting} °C.`;
    const ends = terminal.sealed ? 'adhesive shows at both ends' : 'the sleeve lies close at both ends';
    const source = isFlame ? 'Flame at a distance' : 'Hot air with a deflector';
    const charred = 'Slight discolouring is tolerated, charring is not.';
    const confirm = terminal.sealed ? 'Adhesive shows at both ends' : 'Sleeve lies close at both ends';
    if (isBySteps(context))
      return {
        gate: 'sealed-both-ends',
        headline: `Hold the sleeve from sliding, turn the wire, shrink from the middle outwards until ${ends}.`,
        why: `${source}, kept moving. No bubbles: they are air that is shut in. ${charred}`,
        confirm: `${confirm}, no bubbles`,
        caution: cautionOf(context),
      };
    return {
      gate: 'sealed-both-ends',
      headline: `Shrink from the middle outwards until ${ends}.`,
      why: `${source}, kept moving. The sleeve itself has to reach ${heatOf(terminal)}; ${heater} ${charred}`,
      confirm,
      caution: `${cautionOf(context)} Let the heater run cold before switching it off.`,
    };
  },
  (context) =>
    isBySteps(context) && context.terminal.sealingHeat
      ? {
          gate: 'cooled',
          headline: 'Let it cool before it is handled.',
          why: 'Warm adhesive flows and a warm sleeve moves: bent now, the seal opens.',
          confirm: 'It is cool',
          caution: 'Let the heater run cold before switching it off.',
        }
      : null,
  ({ terminal: { mating } }) =>
    mating?.grease
      ? {
          gate: 'greased',
          headline: `Contact grease, thin, before it meets ${mating.counterpart}.`,
          why: 'Its sheet asks for it. On the mating face alone: grease in the barrel or under a seal spoils both.',
          confirm: 'The mating face is greased',
          caution: 'The grease its sheet names, and no other: some swell seals.',
        }
      : null,
];

const NO_FLAME = 'A flame only where nothing can catch fire: never near fuel, vapour, oil, solvent or trim.';
const NO_GLOW = 'Hot air and hot sleeves burn. No flame or glowing element near fuel, oil, solvent or vapour.';

/** Fuel nearby bars flame whatever the house rules say, and the set-up has taken it away already: this says why. */
const cautionOf = ({ practice, fuelNear }: GateContext) =>
  fuelNear
    ? 'Fuel, oil or vapour is near this place: no flame and nothing that glows, whatever the house rules say. Make it elsewhere, or with a heater that neither glows nor sparks.'
    : practice.sealingHeat === 'flame'
      ? NO_FLAME
      : NO_GLOW;

const isBySteps = ({ practice }: GateContext) => practice.covering === 'by-steps';

const heatOf = ({ sealingHeat }: Terminal) => `${sealingHeat?.min}–${sealingHeat?.max} °C`;
