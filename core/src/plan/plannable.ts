import { minutesOfShift } from './hours';
import type { LeftOut, PlanBench, PlanJob, PlanWork } from './PlanWork';

/** Whether a bench has what a job takes beside its tool. */
export const stands = (job: PlanJob, bench: PlanBench | undefined): boolean =>
  bench !== undefined && !(job.heat && !bench.heater) && !(job.strip && !bench.stripper);

/** Sorts out what cannot be made at all. */
export function plannable(work: PlanWork): { readonly jobs: readonly PlanJob[]; readonly left: readonly LeftOut[] } {
  const left = new Map<string, LeftOut>();
  const longest = new Map(work.people.map(({ id, shifts }) => [id, Math.max(0, ...shifts.map(minutesOfShift))]));
  const last = Math.max(0, ...work.people.flatMap(({ shifts }) => shifts.map(({ to }) => to)));
  const benches = new Map(work.benches.map((bench) => [bench.id, bench]));
  const tools = new Set(work.tools.map(({ id }) => id));
  const all = new Map(work.jobs.map((job) => [job.id, job]));
  for (const job of work.jobs) {
    const leave = (code: LeftOut['code'], text: string) => left.set(job.id, { job: job.id, code, text });
    const means = job.means.filter(({ tool }) => tool === null || tools.has(tool));
    const standing = means.filter((one) => one.benches.some((id) => stands(job, benches.get(id))));
    const shift = Math.max(0, ...job.people.map((id) => longest.get(id) ?? 0));
    const least = Math.min(...standing.map(({ run }) => run)) + (job.isProved ? 0 : job.setUp);
    if (!means.length) leave('no-tool', `${job.label}: no tool of the shop makes it. Add one, or take the job out.`);
    else if (!standing.length)
      leave('no-bench', `${job.label}: no bench with its tool has ${job.heat ? 'a heater' : 'a stripper'}.`);
    else if (!job.people.some((id) => longest.has(id)))
      leave('nobody', `${job.label}: nobody is qualified for it. Qualify somebody, or take the job out.`);
    else if (!shift) leave('no-hours', `${job.label}: whoever is qualified for it has no hours in this plan.`);
    else if (least > shift)
      leave('too-long', `${job.label} takes ${least} min and the longest shift of its people has ${shift}: split it.`);
    else if (job.from >= last)
      leave('arrives-late', `${job.label}: what it takes arrives after the last shift of this plan.`);
    else if (job.release !== null && !job.isProved && !work.quality.some(({ shifts }) => shifts.length))
      leave('no-quality', `${job.label}: its set-up has to be released, and nobody of quality is in.`);
  }
  // What waits for itself, by whatever way, and what waits for something that is left out.
  const waits = new Map(work.jobs.map((job) => [job.id, new Set(job.after.filter((id) => all.has(id)))]));
  const followers = new Map<string, PlanJob[]>();
  for (const job of work.jobs)
    for (const id of waits.get(job.id) ?? []) followers.set(id, [...(followers.get(id) ?? []), job]);
  const free = work.jobs.filter(({ id }) => !waits.get(id)?.size);
  for (let job = free.pop(); job; job = free.pop()) {
    const { id, label } = job;
    waits.delete(id);
    for (const next of followers.get(id) ?? []) {
      if (left.has(id) && !left.has(next.id)) {
        const text = `${next.label} comes after ${label}, which cannot be planned.`;
        left.set(next.id, { job: next.id, code: 'forerunner', text });
      }
      const open = waits.get(next.id);
      open?.delete(id);
      if (open && !open.size) free.push(next);
    }
  }
  for (const id of waits.keys()) {
    const label = all.get(id)?.label ?? id;
    const text = `${label} would have to wait for itself, or for what does: take away a forerunner.`;
    left.set(id, { job: id, code: 'circle', text });
  }
  return { jobs: work.jobs.filter(({ id }) => !left.has(id)), left: [...left.values()] };
}
