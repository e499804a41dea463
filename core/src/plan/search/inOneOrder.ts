import { at, real } from '../at';
import type { Lines } from './Lines';

/**
 * All jobs by the times they are estimated at; one that would come before its forerunners waits until they are named.
 * @param hold minutes a tool waits for the next job of the bench it is at, while another bench asks for it
 */
export function inOneOrder(lines: Lines, hold: number): number[] {
  const { model } = lines;
  const missing = Int32Array.from(model.after, (after) => after.length);
  const isWaiting = new Uint8Array(model.jobs.length);
  const order: number[] = [];
  const name = (job: number): void => {
    order.push(job);
    for (const follower of model.before[job] as Int32Array) {
      missing[follower] = at(missing, follower) - 1;
      if (isWaiting[follower] && !missing[follower]) name(follower);
    }
  };
  for (const job of merged(lines, hold)) {
    if (missing[job]) isWaiting[job] = 1;
    else name(job);
  }
  return order;
}

/** The lines of all benches as one. A bench whose tool is held at another one waits with all that comes after. */
function merged({ model, lines, lengths, ways, bench: benchOf, ends }: Lines, hold: number): number[] {
  const { wayTool } = model;
  const tools = model.work.tools.length;
  const toolOf = (job: number) => at(wayTool, at(ways, job));
  /** The next job of each job's tool in its line; -1 after the last. */
  const nextUse = new Int32Array(model.jobs.length).fill(-1);
  const seen = new Int32Array(tools);
  lines.forEach((line, bench) => {
    seen.fill(-1);
    for (let i = at(lengths, bench) - 1; i >= 0; i--) {
      const job = at(line, i);
      const tool = toolOf(job);
      if (tool < 0) continue;
      nextUse[job] = at(seen, tool);
      seen[tool] = job;
    }
  });
  /** The job each tool was used for last. */
  const user = new Int32Array(tools).fill(-1);
  const isHeld = (job: number, bench: number): boolean => {
    const tool = toolOf(job);
    const last = tool < 0 ? -1 : at(user, tool);
    const next = last < 0 || at(benchOf, last) === bench ? -1 : at(nextUse, last);
    return next >= 0 && real(ends, next) - real(ends, job) < hold;
  };
  const places = new Int32Array(lines.length);
  const merged: number[] = [];
  for (;;) {
    let soonest = -1;
    let free = -1;
    for (const [bench, line] of lines.entries()) {
      const place = at(places, bench);
      if (place >= at(lengths, bench)) continue;
      const job = at(line, place);
      if (soonest < 0 || real(ends, job) < real(ends, soonest)) soonest = job;
      if ((free < 0 || real(ends, job) < real(ends, free)) && !isHeld(job, bench)) free = job;
    }
    // Where every bench waits for another one, the first by time goes on.
    const job = free < 0 ? soonest : free;
    if (job < 0) return merged;
    const bench = at(benchOf, job);
    places[bench] = at(places, bench) + 1;
    if (toolOf(job) >= 0) user[toolOf(job)] = job;
    merged.push(job);
  }
}
