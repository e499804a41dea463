import type { Range } from '../terminal';
import type { SetUp } from './computeSetUp';
import { showRange } from '../units';

/** One point in which two set-ups of the same pair are told side by side. */
export interface SetUpCompared {
  readonly about: string;
  readonly a: string;
  readonly b: string;
  readonly differs: boolean;
}

const span = (range: Range | null | undefined) => (range ? `${showRange(range, 1)} mm` : 'none');

/**
 * What another practice profile would change for a pair: fit, strip length, tool, way round, bites, steps and limit,
 * each said by both set-ups.
 */
export function compareSetUps(a: SetUp, b: SetUp): SetUpCompared[] {
  const say = (about: string, of: (setUp: SetUp) => string): SetUpCompared => {
    const [x, y] = [of(a), of(b)];
    return { about, a: x, b: y, differs: x !== y };
  };
  /** Of two lists only what one has and the other has not: what is alike would hide it. */
  const sayItems = (about: string, of: (setUp: SetUp) => string[]): SetUpCompared => {
    const [x, y] = [of(a), of(b)];
    const only = (list: string[], other: string[]) => list.filter((item) => !other.includes(item)).join('\n');
    const [p, q] = [only(x, y), only(y, x)];
    return p === q
      ? { about, a: `${x.length}, all alike`, b: '', differs: false }
      : { about, a: p || 'not asked', b: q || 'not asked', differs: true };
  };
  return [
    say(
      'fit',
      ({ fit }) =>
        `${{ fits: 'fits', edge: 'at the edge', no: 'does not fit' }[fit.verdict]}${fit.folded ? ', folded back' : ''}`,
    ),
    say('strip', ({ preparation }) =>
      preparation ? `${preparation.strip.setPoint ?? 'none'} mm (${span(preparation.strip.window)})` : 'no stripper',
    ),
    say('position of the wire', ({ preparation }) =>
      preparation?.strip.kind === 'positioned'
        ? `insulation edge ${span(preparation.strip.position)}, checked on every piece`
        : 'any in the window',
    ),
    say('tool', ({ toolChoice: { chosen } }) =>
      chosen
        ? `${chosen.tool.label}, ${chosen.die.label}, nest ${chosen.nest.label}${chosen.listed ? '' : ' (by geometry)'}`
        : 'none',
    ),
    say('way round', ({ orientation }) => orientation?.headline ?? 'none'),
    say('second end', ({ other }) => other?.orientation?.headline ?? 'none'),
    say('bites', ({ bites }) =>
      bites.length ? `${bites.length} at ${bites.map((bite) => bite.centre.toFixed(1)).join(', ')} mm` : 'none',
    ),
    sayItems('steps', ({ gates }) => gates.map((step) => `${step.headline} ${step.why}`)),
    sayItems('look', ({ criteria }) => criteria.map((c) => `${c.title}: ${c.accept}`)),
    say('limit', ({ limit }) => limit.reason.text),
  ];
}
