import type { ShopFloor } from './ShopFloor';
import { WEEKDAYS } from './timesTyped';

/** Something that cannot be meant, where, and what to do. */
export interface FloorFault {
  /** Where it stands, e.g. ['hours', 2, 'to']. */
  readonly at: readonly (string | number)[];
  readonly text: string;
}

const minutes = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));

/** What of a floor cannot be meant; empty when all of it can. */
export function checkFloor(
  floor: ShopFloor,
  names: ReadonlyMap<string, string>,
  strippers: ReadonlySet<string> | null = null,
): FloorFault[] {
  const faults: FloorFault[] = [];
  const say = (at: FloorFault['at'], text: string) => faults.push({ at, text });
  const nameOf = (person: string) => names.get(person) ?? 'Somebody without an account';
  const twice = <T>(all: readonly T[], key: (one: T) => string) =>
    all.flatMap((one, i) => (all.findIndex((other) => key(other) === key(one)) < i ? [i] : []));

  for (const i of twice(floor.benches, ({ id }) => id.toLowerCase()))
    say(['benches', i, 'id'], `Two benches are called ${floor.benches[i]?.id}: give one of them another name.`);
  const places = floor.benches.flatMap((bench, b) => bench.places.map((place) => ({ place, b, bench })));
  for (const i of twice(places, ({ place }) => place.toLowerCase())) {
    const { place, b, bench } = places[i] as (typeof places)[number];
    say(['benches', b, 'places'], `${place} is named for two benches: take it from ${bench.label} or from the other.`);
  }
  floor.benches.forEach(({ stripper, label }, b) => {
    if (stripper !== null && strippers?.has(stripper) === false)
      say(['benches', b, 'stripper'], `${label}: the cabinet has no stripper ${stripper}.`);
  });

  const spans = [
    ...floor.hours.map((hours, i) => ({ ...hours, at: ['hours', i] as const, on: hours.days })),
    ...floor.extra.map((hours, i) => ({ ...hours, at: ['extra', i] as const, on: [] as number[] })),
  ];
  for (const { person, from, to, breaks, at } of spans) {
    if (!names.has(person)) say([...at, 'person'], 'These hours are of nobody with an account: choose a person.');
    const length = (minutes(to) - minutes(from) + 1440) % 1440;
    if (length === 0)
      say([...at, 'to'], `${nameOf(person)}: a shift from ${from} to ${to} has no length. Say when it ends.`);
    for (const [b, pause] of breaks.entries()) {
      const [begins, ends] = [pause.from, pause.to].map((time) => (minutes(time) - minutes(from) + 1440) % 1440) as [
        number,
        number,
      ];
      if (begins >= ends || ends > length)
        say(
          [...at, 'breaks', b],
          `${nameOf(person)}: the break ${pause.from}–${pause.to} is not within ${from}–${to}, or ends before it begins.`,
        );
    }
  }
  // Hours of one person over each other, in minutes of the week; over midnight, and from Sunday to Monday.
  const weeks = floor.hours.flatMap(({ person, days, from, to }, i) =>
    days.map((day) => {
      const begins = (day - 1) * 1440 + minutes(from);
      return { person, day, i, begins, ends: begins + ((minutes(to) - minutes(from) + 1440) % 1440) };
    }),
  );
  for (const [n, one] of weeks.entries())
    for (const other of weeks.slice(n + 1)) {
      const over = [-10_080, 0, 10_080].some(
        (turn) => one.begins < other.ends + turn && other.begins + turn < one.ends,
      );
      if (one.person === other.person && over)
        say(
          ['hours', other.i],
          `${nameOf(one.person)} has two shifts over each other on ${WEEKDAYS[other.day - 1]}: ${floor.hours[one.i]?.from}–${floor.hours[one.i]?.to} and ${floor.hours[other.i]?.from}–${floor.hours[other.i]?.to}. Shorten one.`,
        );
    }
  floor.away.forEach(({ person, from, to }, i) => {
    if (!names.has(person)) say(['away', i, 'person'], 'This absence is of nobody with an account: choose a person.');
    if (from >= to) say(['away', i, 'to'], `${nameOf(person)}: the absence ends before it begins.`);
  });
  for (const i of twice(floor.closed, ({ day }) => day))
    say(['closed', i], `${floor.closed[i]?.day} is named twice as a closed day.`);
  for (const i of twice(floor.pieceSeconds, ({ family, means }) => `${family}/${means}`))
    say(['pieceSeconds', i], 'This family and means have a time already: keep one of them.');
  return faults;
}
