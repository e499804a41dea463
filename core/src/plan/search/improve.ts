import { random } from '../../statistics';
import { Layout } from '../Layout';
import type { Model } from '../model';
import { Anneal } from './Anneal';
import { byDueDate } from './baselines';
import { dispatch, type Taste } from './dispatch';
import { inOneOrder } from './inOneOrder';
import { Lines } from './Lines';
import { asFound, type FoundPlan } from './FoundPlan';
import { PutBack } from './PutBack';

/** Tastes the first plans are made by: from 'no change if it can be helped' to 'what is due first'. */
const TASTES: readonly Taste[] = [
  { change: 8, urgency: 60, reach: 120 },
  { change: 3, urgency: 240, reach: 240 },
  { change: 20, urgency: 0, reach: 1 },
  { change: 1.5, urgency: 600, reach: 480 },
  { change: 6, urgency: 2000, reach: 960 },
  { change: 0.5, urgency: 20_000, reach: 3000 },
  { change: 12, urgency: 400, reach: 60 },
];

/** Times sequences are annealed and laid out. */
const ROUNDS = 8;
/** Minutes a tool is held for at a bench that needs it again, while another one waits for it: each is tried. */
const HOLDS = [120, 480, Infinity];
/** Rounds without anything better after which the rest of the time goes to single jobs. */
const PATIENCE = 2;

/** Jobs up to which there is time to begin again: where much is due, one beginning may end in a corner. */
const FEW = 120;
const BEGINNINGS = 3;
/** Jobs from which on a plan by due date alone is shown until there is a better one. */
const MANY = 1500;

/**
 * Searches for a better plan for as long as it is asked to: starts by several tastes, anneals the sequences of the benches, then
 * takes some jobs out, again and again, and puts each back where it costs least (large-neighbourhood search with a threshold that
 * shrinks). The same seed finds the same.
 *
 * @param start a plan to begin from; the result is never worse
 * @param done share of the time that is used up, from 0 to 1
 * @yields the best so far, at each step; the same object while nothing better is found
 */
export function* improve(
  model: Model,
  seed: number,
  done: () => number,
  start: FoundPlan | null = null,
): Generator<FoundPlan> {
  const next = random(seed);
  const layout = new Layout(model);
  const n = model.jobs.length;
  let best: FoundPlan | null = start;
  if (!best && n > MANY) yield (best = asFound(byDueDate(model)));
  const first: FoundPlan[] = [];
  for (const [i, taste] of TASTES.entries()) {
    dispatch(model, taste, layout, next, seed % 2 === 0 && i === 0 ? 0 : 0.2);
    first.push(asFound(layout));
    if (!best || layout.cost < best.cost) best = asFound(layout);
    yield best;
    if (done() > 0.3 && i >= 1) break;
  }
  if (!best) return;
  // It may have been stopped before it began.
  if (n < 2 || done() >= 1) return;
  const others = first.filter(({ cost }) => cost > (best?.cost ?? 0)).sort((a, b) => a.cost - b.cost);
  const beginnings = [best, ...(n <= FEW ? others.slice(0, BEGINNINGS - 1) : [])];
  const begun = done();
  for (const [i, beginning] of beginnings.entries()) {
    const from = begun + ((1 - begun) * i) / beginnings.length;
    const length = (1 - begun) / beginnings.length;
    // The whole of it is reached by every beginning, however its parts are rounded.
    const own = () => {
      const gone = done();
      return gone >= 1 ? 1 : (gone - from) / length;
    };
    for (const found of sharpen(model, layout, next, own, beginning)) {
      if (found.cost < best.cost - 1e-9) best = found;
      yield best;
    }
  }
}

/** Makes the best of one beginning. */
function* sharpen(
  model: Model,
  layout: Layout,
  next: () => number,
  done: () => number,
  beginning: FoundPlan,
): Generator<FoundPlan> {
  let best = beginning;
  // Sequences first, by their differences; what comes of them is laid out, and its times lead the next round.
  const lines = new Lines(model);
  const anneal = new Anneal(model, lines, next);
  const hints = new Int32Array(model.jobs.length).fill(-1);
  const begun = done();
  const until = begun + (1 - begun) * 0.7;
  let idle = 0;
  // How much a minute late weighs there is felt for: as little as brings nothing late.
  for (let round = 0; round < ROUNDS; round++) {
    const [from, to] = [round, round + 1].map((r) => begun + ((until - begun) * r) / ROUNDS) as [number, number];
    if (round === 0) layout.layOut(best.order, best.ways, best.people, best.isFirm);
    lines.from(layout);
    anneal.run(round ? 1 : 3, 0.05, () => (done() - from) / (to - from));
    // Only where a tool goes from bench to bench does it matter whether it is held.
    let held = asFound(layout.layOut(inOneOrder(lines, 0), lines.ways, hints));
    if (lines.carries)
      for (const hold of HOLDS)
        if (layout.layOut(inOneOrder(lines, hold), lines.ways, hints).cost < held.cost - 1e-9) held = asFound(layout);
    layout.layOut(held.order, held.ways, held.people);
    if (layout.lateness > 0) lines.late = Math.min(3, lines.late * 2.5);
    if (layout.cost < best.cost - 1e-9) {
      best = asFound(layout);
      idle = 0;
    } else if (++idle === PATIENCE) break;
    yield best;
  }
  const search = new PutBack(model, next);
  let current: FoundPlan = best;
  const scale = Math.max(4, 0.02 * (best.cost % 1e6));
  for (let step = 0; ; step++) {
    const share = done();
    if (share >= 1) return;
    const limit = scale * (1 - share) ** 2 * -Math.log(1 - next()) * 0.1;
    // Most changes cost more at tools and strippers than they could bring: only the others are laid out.
    const hope = limit + (next() < 0.1 ? 12 : 0) + (current.isLate ? 40 : 60 * model.work.endWorth);
    if (search.change(current) <= current.changes + hope) {
      search.layOut(layout);
      if (layout.cost < current.cost + limit) {
        current = asFound(layout);
        search.adopt(current, layout);
      }
      if (layout.cost < best.cost - 1e-9) {
        best = current;
        yield best;
        continue;
      }
    }
    if (step % 64 === 0) yield best;
  }
}
