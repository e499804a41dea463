import { judgeFit, NO_DEMAND, type Use } from '../../match';
import type { Practice } from '../../practice';
import type { Family, Terminal } from '../../terminal';
import { readNumber } from '../../units';
import type { Wire } from '../../wire';
import { familyContext } from '../families';
import { dry, practice, wire075, wireOf, wireRound } from '../shop';
import approved from './fits.json';
import { holdTold, type Lines, type Told } from './hold';
import { tellReason } from './tell';

/** Metal of so many mm2, by its size; seven strands. */
const ofArea = (area: number, changes: Partial<Wire> = {}, conductor: Partial<Wire['conductor']> = {}) =>
  wireOf(
    {
      ...wireRound.conductor,
      ...{ size: { scale: 'mm2', value: area }, strandDiameter: Math.sqrt((4 * area) / (7 * Math.PI)) },
      ...conductor,
    },
    { insulationDiameter: 3, ...changes },
  );
const awg = (value: number, area: number) => ofArea(area, {}, { size: { scale: 'awg', value } });
/** 1 to 2 mm2. */
const of = (family: Family, changes: Partial<Terminal> = {}): Terminal => ({
  ...familyContext(family).terminal,
  ...changes,
});
const inAwg = { smallest: { scale: 'awg', value: 18 }, largest: { scale: 'awg', value: 14 } } as const;

interface Pair {
  readonly terminal: Terminal;
  readonly wires: readonly Wire[];
  readonly rules?: Partial<Practice>;
  readonly use?: Partial<Use>;
}
const ring = (wires: readonly Wire[], changes: Partial<Terminal> = {}, rules: Partial<Practice> = {}): Pair => ({
  ...{ terminal: of('bare-terminal', changes), wires, rules },
});
const contact = (wires: readonly Wire[], changes: Partial<Terminal> = {}, rules: Partial<Practice> = {}): Pair => ({
  ...{ terminal: of('sealed-contact', changes), wires, rules },
});
const folds = { foldBack: true, conductorRange: { ...inAwg, ...of('bare-terminal').conductorRange } };

const PAIRS: Readonly<Record<string, readonly Pair[]>> = {
  'metal about a range': [0.9, 0.95, 0.951, 1, 1.5, 2, 2.1, 2.11, 2.2, 3].map((area) => ring([ofArea(area)])),
  'metal about a range, with a band that is no round number': [0.93, 0.94, 2.14].map((area) =>
    ring([ofArea(area)], {}, { edgeBand: 0.07 }),
  ),
  'a label that hides its metal': [0.8, 0.96, 2.05, 2.3].map((area) =>
    ring([ofArea(area, {}, { size: { scale: 'mm2', value: area < 1 ? 1 : 2 } })]),
  ),
  'labels in another scale': [
    ring([awg(16, 1.31)]),
    ring([awg(20, 0.52)]),
    ring([awg(18, 0.97)]),
    ring([ofArea(1.5)], { conductorRange: inAwg }),
    ring([ofArea(0.75)], { conductorRange: inAwg }),
    ring([awg(16, 1.31)], { conductorRange: inAwg }),
    ring([awg(12, 3.3)], { conductorRange: inAwg }),
  ],
  'thin wire that may be folded back': [0.3, 0.35, 0.48, 0.5, 0.75, 0.96, 1.04, 1.5].flatMap((area) =>
    [{ thinWire: 'fold-back' as const }, { thinWire: 'fold-always' as const, foldedEdge: 'doubled' as const }].map(
      (rules) => ring([ofArea(area)], folds, rules),
    ),
  ),
  'a fine wire that fits single and doubled': [
    ring(
      [ofArea(0.35)],
      {
        foldBack: true,
        conductorRange: { smallest: { scale: 'mm2', value: 0.3 }, largest: { scale: 'mm2', value: 0.8 } },
      },
      { thinWire: 'fold-always' },
    ),
  ],
  'several wires in one barrel': [
    ring([ofArea(0.75), ofArea(0.75)], { mostWires: 2 }),
    ring([ofArea(0.75), ofArea(0.75)]),
    ring([ofArea(0.5), ofArea(0.5), ofArea(0.5)], { mostWires: 2 }),
    ring([ofArea(0.48), ofArea(0.48)], { mostWires: 2 }),
    ring([ofArea(1.5), ofArea(1.5)], { mostWires: 2 }),
    contact([ofArea(0.75), ofArea(0.75)], { mostWires: 2 }),
  ],
  'insulation in its support': [2.3, 2.4, 2.5, 3, 3.5, 3.6, 3.9].map((insulationDiameter) => ({
    ...{ terminal: of('insulated-terminal'), wires: [ofArea(1.5, { insulationDiameter })] },
  })),
  'insulation in a seal': [1.5, 2, 2.5, 3, 3.5, 4].map((insulationDiameter) =>
    contact([ofArea(1.5, { insulationDiameter })], { sealRange: { min: 2, max: 3.5 } }),
  ),
  'what a conductor is': [
    ring([ofArea(1.5, {}, { kind: 'soldered' })]),
    ring([ofArea(1.5, {}, { kind: 'solid', strands: 1, strandDiameter: 1.38 })]),
    ring([ofArea(1.5, {}, { kind: 'solid', strands: 1, strandDiameter: 1.38 })], { acceptsSolid: true }),
    ring([ofArea(1.5, {}, { material: 'aluminium' })]),
    ring([ofArea(1.5)], { strandingClasses: ['5', '6'] as never }),
    ring([wire075], { strandingClasses: ['5', '6'] as never }),
  ],
  'stamps beside their sheets': ['1.5', '2.5-6', '1.5-4', '22-16', '4-6 8', 'X-22', '16-14 #8', '1-1.2'].flatMap(
    (stamp) => [1.1, 1.5, 2.4].map((area) => ring([ofArea(area)], { stamp })),
  ),
  'where it will be': (
    [
      { place: 'wet' },
      { stud: 'M4' },
      { stud: ' m 5' },
      { temperature: 60 },
      { temperature: 105 },
      { temperature: 106 },
      { current: 5, voltage: 30 },
      { current: 50, voltage: 3000 },
    ] as Partial<Use>[]
  ).flatMap((use) => [
    { ...ring([ofArea(1.5)], { stud: 'M5', current: 12, voltage: 600 }), use },
    { ...contact([ofArea(1.5)]), use },
  ]),
  'what the house buys': (['bare-terminal', 'insulated-terminal', 'sealed-sleeve-terminal'] as const).flatMap(
    (family) =>
      (['insulated', 'bare-and-tube'] as const).flatMap((insulatedParts) =>
        (['dry', 'wet'] as const).map((place) => ({
          terminal: of(family, { sleeve: family === 'bare-terminal' ? null : 'yellow' }),
          wires: [ofArea(1.5)],
          rules: { insulatedParts, adhesive: 'always' as const },
          use: { place },
        })),
      ),
  ),
};

/** Each with what it is about, then every reason, the good ones too. */
const tellPairs = (pairs: readonly Pair[]): string[] =>
  pairs.flatMap(({ terminal, wires, rules, use }, i) => {
    const { verdict, folded, reasons } = judgeFit(
      terminal,
      wires,
      { ...dry, ...NO_DEMAND, ...use },
      { ...practice, ...rules },
    );
    return [
      `${i + 1} | ${verdict}${folded ? ', folded back' : ''}`,
      ...reasons.map((one) => tellReason(String(i + 1), one)),
    ];
  });

const tellNumbers: Lines = () =>
  [
    '1.2.3',
    '1,2,3',
    '1,234,567',
    '1.234.567',
    '1,23,4',
    '..',
    `${'7'.repeat(30)}x`,
    `x${'y'.repeat(40)}`,
    '1e',
    '5e3',
  ].map((typed) => `'${typed}' | ${JSON.stringify(readNumber(typed))}`);

const told: Told = new Map<string, Lines>([
  ...Object.entries(PAIRS).map(([name, pairs]): [string, Lines] => [name, () => tellPairs(pairs)]),
  ['numbers with several signs', tellNumbers],
]);

holdTold({ in: 'fits', of: 'a pair of terminal and wire' }, told, approved);
