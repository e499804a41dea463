import type { PlanDay } from '@tug-mark/contract';
import {
  counted,
  pickList,
  reorder,
  showAmount,
  type CutDemand,
  type PartNeed,
  type PartStock,
  type WireNeed,
} from '@tug-mark/core';

/* What is cut and drawn, in words. */

/** '40 × 480 mm, 10 × 300 mm' */
export const tellCuts = (demands: readonly CutDemand[]): string =>
  demands.map(({ length, count }) => `${count} × ${length} mm`).join(', ');

/** What becomes of the rests, against what no way of cutting can be better than. */
export function tellScrap(scrap: number, least: number | null): string {
  if (scrap === 0) return 'Nothing becomes scrap.';
  const bound =
    least === null
      ? ''
      : least === scrap
        ? '; no way of cutting leaves less'
        : `; at least ${least} mm do, whatever is cut from which`;
  return `${scrap} mm become scrap${bound}.`;
}

/** A part with what its drawer means for it. */
export interface Pick extends PartNeed {
  readonly meaning: string;
}

function meaningOf(
  { have, short, arrives }: PartNeed,
  stock: PartStock | undefined,
  lead: number,
  reserve: number,
): string {
  if (have === null || !stock) return 'nobody has counted it';
  if (short > 0)
    return arrives === null
      ? `${short} short, and not on their way: order them.`
      : `${short} short, here ${arrives.replace('T', ' ')}.`;
  const { isDue, lasts } = reorder(stock, lead, reserve);
  const use =
    lasts === null ? '' : ` At the use of the last ${Math.round(stock.days)} days it lasts ${Math.floor(lasts)} more.`;
  return `${isDue ? 'Order it now.' : 'enough.'}${use}`;
}

/** The pick list of a day, what is short on top. */
export function picksOf({ about, floor: { floor } }: PlanDay, stock: readonly PartStock[]): Pick[] {
  return pickList(about, stock)
    .map((need) => {
      const own = stock.find(({ kind, part }) => kind === need.kind && part === need.part);
      return { ...need, meaning: meaningOf(need, own, floor.leadDays, floor.reserveDays) };
    })
    .sort((a, b) => b.short - a.short || a.part.localeCompare(b.part));
}

/** '40 wires to cut, 3 parts to draw; 1 part is short.' */
export function cutHeadline(wires: readonly WireNeed[], picks: readonly Pick[]): string {
  const count = wires
    .flatMap(({ lists }) => lists.flatMap(({ demands }) => demands))
    .reduce((sum, demand) => sum + demand.count, 0);
  const are = (short: number, noun: string) => (short ? [`${counted(short, `${noun} is`, `${noun}s are`)} short`] : []);
  const lacks = [
    ...are(wires.filter(({ plan }) => plan?.missing.length).length, 'wire'),
    ...are(picks.filter(({ short }) => short > 0).length, 'part'),
  ];
  const rest = lacks.length ? `; ${lacks.join(', ')}` : ', and enough of all that was counted';
  return `${counted(count, 'wire')} to cut, ${counted(picks.length, 'part')} to draw${rest}.`;
}

/** '6.95 m, never counted' or '6.95 m of 30 m' */
export const tellWire = ({ total, have }: WireNeed): string =>
  `${showAmount('wire', total)}${have === null ? ', never counted' : ` of ${showAmount('wire', have)}`}`;
