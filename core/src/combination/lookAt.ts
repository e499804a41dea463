import type { LookContext } from '../look';
import type { End } from '../terminal';
import type { SetUp } from './computeSetUp';

/** What eye and caliper go by at one end; null until tool and strip length are settled, or where there is no such end. */
export function lookAt({ look, other }: Pick<SetUp, 'look' | 'other'>, end: End): LookContext | null {
  return end === 1 ? look : (other?.look ?? null);
}
