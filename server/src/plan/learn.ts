import {
  learnSteps,
  learnTimes,
  meansOf,
  shiftsOf,
  type Family,
  type LearnedStep,
  type LearnedTime,
  type LotTimes,
  type MadeAt,
  type ShopFloor,
  type StepTaken,
  type Tool,
} from '@tug-mark/core';
import type { Knex } from 'knex';

/** Lots that are learned from, the newest, and entries of them: a long lot says no more by its first pieces. */
const LOTS = 200;
const MARKS = 20_000;
const DAY = 86_400_000;

interface MarkRow {
  readonly combination: string;
  readonly lot: number;
  readonly kind: string;
  readonly at: Date;
  readonly by_name: string;
  readonly made: number | null;
  readonly what: string | null;
}

/** Minutes within which nobody goes home and comes back: whoever counts pieces at both ends worked between them, hours or not. */
const AT_WORK = 120;

/**
 * Minutes of work between two instants for somebody: their hours where the shop has written them down, else all minutes of one day
 * and none over a night. Who is there longer than the hours say is there all the same. Breaks and pauses of the lot are taken out.
 */
function workedBy(
  person: string | undefined,
  floor: ShopFloor,
  zone: string,
  pauses: readonly { readonly from: number; readonly to: number }[],
): LotTimes['worked'] {
  const hasHours = floor.hours.some((hours) => hours.person === person);
  return (from, to) => {
    const [a, b] = [Date.parse(from), Date.parse(to)];
    const paused = pauses.reduce((sum, pause) => sum + Math.max(0, Math.min(b, pause.to) - Math.max(a, pause.from)), 0);
    if (person === undefined || !hasHours) return b - a > DAY / 2 ? 0 : (b - a - paused) / 60_000;
    const minutes = (b - a) / 60_000;
    const shifts = shiftsOf(person, floor, zone, from, Math.min(7, Math.ceil(minutes / 1440) + 1));
    const inside = (span: { readonly from: number; readonly to: number }) =>
      Math.max(0, Math.min(span.to, minutes) - Math.max(0, span.from));
    const add = (spans: (typeof shifts)[number]['breaks']) => spans.reduce((sum, span) => sum + inside(span), 0);
    const there = minutes <= AT_WORK ? minutes : add(shifts);
    return there - add(shifts.flatMap(({ breaks }) => breaks)) - paused / 60_000;
  };
}

/** What pieces, set-ups, checks and releases took, from the journals of the newest lots. */
export async function learnFrom(
  db: Knex,
  floor: ShopFloor,
  zone: string,
  tools: readonly Tool[],
): Promise<{ pieces: LearnedTime[]; steps: LearnedStep[] }> {
  const kindOf = new Map(tools.map(({ part, kind }) => [part, kind]));
  const { rows: lots } = await db.raw<{
    rows: { combination: string; lot: number; tool: string; family: Family; opened: Date; by: string }[];
  }>(
    `SELECT o.combination, o.lot, o.body -> 'stands' ->> 'tool' AS tool, p.body ->> 'family' AS family, o.at AS opened,
        o.by_name AS by
       FROM journal o JOIN combinations c ON c.id = o.combination AND NOT c.read_in
       JOIN parts p ON p.kind = 'terminal' AND p.part = c.terminal AND p.revision = c.terminal_revision
      WHERE o.kind = 'lot' AND o.corrects IS NULL ORDER BY o.at DESC LIMIT ${LOTS}`,
  );
  const people = new Map(
    ((await db('people').select('id', 'name')) as { id: string; name: string }[]).map(({ id, name }) => [name, id]),
  );
  const ids = [...new Set(lots.map(({ combination }) => combination))];
  const marks = ids.length
    ? ((await db('journal')
        .whereIn(
          ['combination', 'lot'],
          lots.map(({ combination, lot }) => [combination, lot]),
        )
        .whereIn('kind', ['progress', 'reading', 'finish'])
        .whereNull('corrects')
        .orderBy('at', 'desc')
        .limit(MARKS)
        .select('combination', 'lot', 'kind', 'at', 'by_name')
        .select(
          db.raw(
            `CASE kind WHEN 'progress' THEN (body ->> 'made')::int WHEN 'reading' THEN (body ->> 'piece')::int END AS made`,
          ),
        )
        .select(db.raw(`body ->> 'what' AS what`))) as MarkRow[])
    : [];
  // In the order of time: a pause is followed by its end.
  marks.reverse();
  const ofLot = new Map<string, MarkRow[]>();
  for (const mark of marks) {
    const key = `${mark.combination}/${mark.lot}`;
    ofLot.set(key, [...(ofLot.get(key) ?? []), mark]);
  }
  const times = lots.map((lot): LotTimes => {
    const own = ofLot.get(`${lot.combination}/${lot.lot}`) ?? [];
    const pauses: { from: number; to: number }[] = [];
    for (const { kind, what, at } of own) {
      if (kind === 'progress' && what === 'pause') pauses.push({ from: at.getTime(), to: Infinity });
      const last = pauses.at(-1);
      if (kind === 'progress' && what === 'resume' && last) last.to = at.getTime();
    }
    return {
      family: lot.family,
      means: meansOf(kindOf.get(lot.tool) ?? 'full-cycle'),
      worked: workedBy(people.get(lot.by), floor, zone, pauses),
      marks: [
        // Of a lot whose beginning was not read the first entry that was is where it begins.
        ...(marks.length < MARKS ? [{ at: lot.opened.toISOString(), made: 0, isCheck: false }] : []),
        ...own.flatMap(({ kind, at, made }): MadeAt[] =>
          made === null ? [] : [{ at: at.toISOString(), made, isCheck: kind === 'reading' }],
        ),
      ],
    };
  });
  const minutesOf = (by: string, from: Date, to: Date) =>
    workedBy(people.get(by), floor, zone, [])(from.toISOString(), to.toISOString());
  const meansOfTool = (tool: string) => meansOf(kindOf.get(tool) ?? 'full-cycle');
  const taken = [
    ...(await setUpSteps(db, lots, meansOfTool, minutesOf)),
    ...(await checkSteps(db, lots, meansOfTool, minutesOf)),
  ];
  const steps = learnSteps(taken);
  return {
    pieces: learnTimes(times, (family, means) => {
      const own = steps.find((one) => one.step === 'check' && one.family === family && one.means === means);
      return own?.isEnough ? own.minutes : floor.minutes.check;
    }),
    steps,
  };
}

interface LotRow {
  readonly combination: string;
  readonly lot: number;
  readonly tool: string;
  readonly family: Family;
}
type MinutesOf = (by: string, from: Date, to: Date) => number;

/** Set-ups from the tool taken to the last sample pulled, and on to the release, run by run. */
async function setUpSteps(
  db: Knex,
  lots: readonly LotRow[],
  meansOfTool: (tool: string) => StepTaken['means'],
  minutesOf: MinutesOf,
): Promise<StepTaken[]> {
  const familyOf = new Map(lots.map(({ combination, family }) => [combination, family]));
  if (!familyOf.size) return [];
  const rows = (await db('journal')
    .whereIn('combination', [...familyOf.keys()])
    .whereNull('lot')
    .whereNull('corrects')
    .whereIn('kind', ['tool', 'reading', 'release'])
    .groupBy('combination', db.raw(`coalesce((body ->> 'run')::int, 1)`))
    .havingRaw(`bool_or(kind = 'tool') AND bool_or(kind = 'reading')`)
    .select('combination')
    .select(
      db.raw(`min(at) FILTER (WHERE kind = 'tool') AS "from", max(at) FILTER (WHERE kind = 'reading') AS "to",
        min(at) FILTER (WHERE kind = 'release') AS released, min(by_name) FILTER (WHERE kind = 'tool') AS by,
        min(by_name) FILTER (WHERE kind = 'release') AS quality, min(body ->> 'tool') FILTER (WHERE kind = 'tool') AS tool`),
    )
    .orderBy('to')) as {
    combination: string;
    from: Date;
    to: Date;
    released: Date | null;
    by: string;
    quality: string | null;
    tool: string;
  }[];
  return rows.flatMap(({ combination, from, to, released, by, quality, tool }): StepTaken[] => {
    const family = familyOf.get(combination);
    if (!family) return [];
    const own = { family, means: meansOfTool(tool) };
    return [
      ...(to > from ? [{ ...own, step: 'set-up' as const, minutes: minutesOf(by, from, to) }] : []),
      ...(released && quality !== null && released > to
        ? [{ ...own, step: 'release' as const, minutes: minutesOf(quality, to, released) }]
        : []),
    ];
  });
}

/** Checks of pieces of lots, from the first thing noted of a piece to its last pull. */
async function checkSteps(
  db: Knex,
  lots: readonly LotRow[],
  meansOfTool: (tool: string) => StepTaken['means'],
  minutesOf: MinutesOf,
): Promise<StepTaken[]> {
  const known = new Map(lots.map((lot) => [`${lot.combination}/${lot.lot}`, lot]));
  if (!known.size) return [];
  const rows = (await db('journal')
    .whereIn(
      ['combination', 'lot'],
      lots.map(({ combination, lot }) => [combination, lot]),
    )
    .whereIn('kind', ['finding', 'measure', 'photo', 'marks', 'reading'])
    .whereNull('corrects')
    .whereRaw(`body ->> 'piece' IS NOT NULL`)
    .groupBy('combination', 'lot', db.raw(`body ->> 'piece'`))
    .havingRaw(`min(at) < max(at) FILTER (WHERE kind = 'reading')`)
    .select('combination', 'lot')
    .select(
      db.raw(`min(at) AS "from", max(at) FILTER (WHERE kind = 'reading') AS "to",
        min(by_name) FILTER (WHERE kind = 'reading') AS by`),
    )
    .orderBy('to')) as { combination: string; lot: number; from: Date; to: Date; by: string }[];
  return rows.flatMap(({ combination, lot, from, to, by }): StepTaken[] => {
    const own = known.get(`${combination}/${lot}`);
    if (!own) return [];
    return [{ family: own.family, means: meansOfTool(own.tool), step: 'check', minutes: minutesOf(by, from, to) }];
  });
}
