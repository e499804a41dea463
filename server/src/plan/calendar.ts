import type { GivenPlan } from '@tug-mark/contract';
import ical, { ICalCalendarMethod } from 'ical-generator';

/**
 * A plan as iCalendar, of one bench or one person or of all: an event a job, with its changeover and its release told. Ids and times
 * are the plan's own, so that a calendar that reads the next revision moves its events.
 */
export function writeCalendar(
  plan: GivenPlan,
  shop: string,
  only: { readonly bench?: string | undefined; readonly person?: string | undefined },
): string {
  const at = (minute: number) => new Date(Date.parse(plan.start) + minute * 60_000);
  const name = (id: string) => plan.names[id] ?? id;
  const of = only.bench ?? only.person;
  const calendar = ical({
    name: of === undefined ? `${shop}: plan ${plan.revision}` : `${name(of)}: plan ${plan.revision}`,
    prodId: { company: 'tug-mark', product: 'plan' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const job of plan.placed) {
    const releases = only.person !== undefined && job.release?.by === only.person;
    const isOwn = (only.bench ?? job.bench) === job.bench && (only.person === undefined || only.person === job.person);
    const label = plan.jobs[job.job]?.label ?? job.job;
    if (isOwn)
      calendar.createEvent({
        id: `${job.job}@tug-mark`,
        ...{ start: at(job.start), end: at(job.end), stamp: new Date(plan.at), sequence: plan.revision },
        summary: label,
        location: name(job.bench),
        description: [
          ...[name(job.person), ...(job.tool === null ? [] : [job.tool])],
          ...(job.changeover ? [`${job.changeover} min to change over`] : []),
          ...(job.release ? [`released by ${name(job.release.by)}`] : []),
        ].join(', '),
      });
    if (releases && job.release)
      calendar.createEvent({
        id: `release/${job.job}@tug-mark`,
        ...{ start: at(job.release.from), end: at(job.release.to), stamp: new Date(plan.at), sequence: plan.revision },
        summary: `Release ${label}`,
        location: name(job.bench),
      });
  }
  return calendar.toString();
}
