import type { Practice } from '../practice';
import { isSplice, rangeOf, type Terminal } from '../terminal';
import { metalArea, nominalArea, type Wire } from '../wire';
import { compareKeys } from './compareKeys';
import { judgeEnds } from './judgeEnds';
import type { FitVerdict, Use } from './judgeFit';

export interface NearFit {
  readonly terminal: Terminal;
  readonly fit: FitVerdict;
}

/**
 * Terminals of the cabinet that do fit these wires, nearest to the wanted one first: same family before others, same shape before others, same
 * stud before others, 'fits' before 'edge', then the one whose range centre lies closest to the conductor (by the
 * ratio of areas, since sizes are geometric).
 *
 * @param wanted the terminal that was refused; never part of the answer
 * @param cabinet every terminal the shop has
 * @param opposite wires at the other end of a splice, which have to fit too
 * @param most how many to name
 */
export function nearestFits(
  wanted: Terminal,
  wires: readonly Wire[],
  use: Use,
  practice: Practice,
  cabinet: readonly Terminal[],
  opposite: readonly Wire[] = [],
  most = 3,
): NearFit[] {
  const area = wires.reduce((sum, wire) => sum + metalArea(wire.conductor), 0);
  const offCentre = (terminal: Terminal) => {
    const { smallest, largest } = rangeOf(terminal, wires[0]?.conductor.size);
    return Math.abs(Math.log(area / Math.sqrt(nominalArea(smallest) * nominalArea(largest))));
  };
  const rank = ({ terminal, fit }: NearFit) => [
    terminal.family === wanted.family ? 0 : 1,
    terminal.shape === wanted.shape ? 0 : 1,
    terminal.stud === wanted.stud ? 0 : 1,
    fit.verdict === 'fits' ? 0 : 1,
    offCentre(terminal),
  ];
  return cabinet
    .filter((terminal) => terminal.part !== wanted.part)
    .filter((terminal) => !opposite.length || isSplice(terminal))
    .map((terminal) => ({ terminal, fit: judgeEnds(terminal, wires, opposite, use, practice) }))
    .filter(({ fit }) => fit.verdict !== 'no')
    .map((found) => ({ found, key: rank(found) }))
    .sort((a, b) => compareKeys(a.key, b.key))
    .slice(0, most)
    .map(({ found }) => found);
}
