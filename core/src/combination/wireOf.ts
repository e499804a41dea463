import { endOf } from '../terminal';
import type { SetUp, WireSetUp } from './computeSetUp';

/** The wire of a set-up something on record is about; undefined where it has no such wire. */
export function wireOf({ wires }: Pick<SetUp, 'wires'>, body: object): WireSetUp | undefined {
  const number = 'wire' in body && typeof body.wire === 'number' ? body.wire : 1;
  return wires.find((each) => each.end === endOf(body) && each.number === number);
}
