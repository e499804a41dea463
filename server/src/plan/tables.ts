import type { NewStockMove, PlanDay } from '@tug-mark/contract';
import {
  guardCell,
  HeadedTable,
  readBreaks,
  readDays,
  readNumber,
  readTimeOfDay,
  STOCK_KINDS,
  tellBreaks,
  tellDays,
  toMillimetres,
  type PartStock,
  type ShopFloor,
  type StockKind,
  type WeekHours,
} from '@tug-mark/core';
import { randomUUID } from 'node:crypto';
import { refusals } from '../http/problems';

/* Hours, counts, due dates and jobs as the tables a spreadsheet writes and reads. */

const is =
  (...names: string[]) =>
  (plain: string) =>
    names.includes(plain);

const refuse = ({ problems, total }: Pick<HeadedTable<string>, 'problems' | 'total'>) =>
  refusals.listProblems(
    problems.map(({ row, column, value, text }) => ({ row, where: column, value, text })),
    total,
  );

const HOURS = ['person', 'days', 'from', 'to', 'breaks'];
export function hoursTable(floor: ShopFloor, names: ReadonlyMap<string, string>): string[][] {
  return [
    HOURS,
    ...floor.hours.map(({ person, days, from, to, breaks }) => [
      guardCell(names.get(person) ?? person),
      tellDays(days),
      ...[from, to],
      tellBreaks(breaks),
    ]),
  ];
}

/** @throws Refusal with every problem by row and column */
export function readHoursTable(table: string[][], names: ReadonlyMap<string, string>): WeekHours[] {
  const headed = new HeadedTable(table, {
    person: { name: 'person', is: is('person', 'name'), needed: true },
    days: { name: 'days', is: is('days', 'day', 'weekdays'), needed: true },
    from: { name: 'from', is: is('from', 'start', 'begins'), needed: true },
    to: { name: 'to', is: is('to', 'until', 'end', 'ends'), needed: true },
    breaks: { name: 'breaks', is: is('breaks', 'break', 'pauses') },
  });
  const idOf = new Map([...names].map(([id, name]) => [name.toLowerCase(), id]));
  const hours = [...headed.rows()].map((row): WeekHours => {
    const person = idOf.get(row.cell('person').trim().toLowerCase());
    if (person === undefined) row.wrong('person', 'is nobody with an account here');
    const days = readDays(row.cell('days'));
    if (!days) row.wrong('days', 'is no day of the week: write Mon Tue or Mon-Fri');
    const at = (column: 'from' | 'to') => {
      const found = readTimeOfDay(row.cell(column));
      if (found === null) row.wrong(column, 'is no time of day: write 06:30');
      return found ?? '00:00';
    };
    const breaks = readBreaks(row.cell('breaks'));
    if (breaks.some(({ from, to }) => readTimeOfDay(from) === null || readTimeOfDay(to) === null))
      row.wrong('breaks', 'is no stretch of the day: write 09:00-09:15');
    return { person: person ?? '', days: days ?? [], from: at('from'), to: at('to'), breaks };
  });
  if (headed.total) throw refuse(headed);
  return hours;
}

export function stockTable(stock: readonly PartStock[]): (string | number)[][] {
  return [
    ['kind', 'part', 'reel', 'amount', 'unit', 'counted'],
    ...stock.flatMap(({ kind, part, reels }) =>
      reels.map(({ reel, amount, countedAt }) => [
        ...[kind, guardCell(part), guardCell(reel ?? '')],
        ...[
          kind === 'wire' ? Number((amount / 1000).toFixed(3)) : Math.round(amount),
          kind === 'wire' ? 'm' : 'pieces',
        ],
        countedAt ?? '',
      ]),
    ),
  ];
}

/** Rows of a count: of wire in metres, or in the unit that stands beside it. @throws Refusal with every problem by row and column */
export function readCountTable(table: string[][]): NewStockMove[] {
  const headed = new HeadedTable(table, {
    kind: { name: 'kind', is: is('kind'), needed: true },
    part: { name: 'part', is: is('part', 'partnumber'), needed: true },
    reel: { name: 'reel', is: is('reel', 'place', 'drawer', 'bag') },
    amount: { name: 'amount', is: is('amount', 'quantity', 'count', 'counted'), needed: true },
    unit: { name: 'unit', is: is('unit') },
  });
  const moves = [...headed.rows()].map((row): NewStockMove => {
    const kind = row.cell('kind').trim().toLowerCase() as StockKind;
    if (!STOCK_KINDS.includes(kind)) row.wrong('kind', `is none of ${STOCK_KINDS.join(', ')}`);
    const part = row.cell('part').trim();
    if (part === '') row.wrong('part', 'is empty');
    const read = readNumber(row.cell('amount'));
    const amount = read.outcome === 'number' && read.rest === '' ? read.value : null;
    if (amount === null || amount < 0) row.wrong('amount', 'is no number of 0 or more');
    const unit = row.cell('unit').trim().toLowerCase() || (kind === 'wire' ? 'm' : 'pieces');
    const factor =
      kind === 'wire' ? { m: 1000, mm: 1, ft: toMillimetres(12, 'in') }[unit] : { pieces: 1, pcs: 1, '': 1 }[unit];
    if (factor === undefined) row.wrong('unit', kind === 'wire' ? 'is none of m, mm, ft' : 'has to be pieces');
    return {
      ...{ id: randomUUID(), kind, part, reel: row.cell('reel').trim() || null, what: 'counted' as const },
      ...{ amount: (amount ?? 0) * (factor ?? 1), arrives: null, settles: null, note: 'count from a file' },
    };
  });
  if (headed.total) throw refuse(headed);
  return moves;
}

/** A list, when it is due, and what being late weighs. */
export interface DueRow {
  readonly row: number;
  readonly list: string;
  readonly due: string | null;
  readonly priority: number;
}

/** @throws Refusal with every problem by row and column */
export function readDueTable(table: string[][], lists: ReadonlySet<string>): DueRow[] {
  const headed = new HeadedTable(table, {
    list: { name: 'list', is: is('list', 'wirelist', 'name'), needed: true },
    due: { name: 'due', is: is('due', 'duedate', 'by'), needed: true },
    priority: { name: 'priority', is: is('priority', 'weight') },
  });
  const rows = [...headed.rows()].map((row): DueRow => {
    const list = row.cell('list').trim();
    if (!lists.has(list)) row.wrong('list', 'is no wire list of this shop');
    const due = row.cell('due').trim();
    if (due !== '' && !(/^\d{4}-\d\d-\d\d$/.test(due) && !Number.isNaN(Date.parse(due))))
      row.wrong('due', 'is no date: write 2027-01-31, or nothing');
    const priority = row.cell('priority').trim() === '' ? 1 : Number(row.cell('priority'));
    if (!Number.isInteger(priority) || priority < 1 || priority > 9)
      row.wrong('priority', 'is no whole number from 1 to 9');
    return { row: row.row, list, due: due || null, priority };
  });
  if (headed.total) throw refuse(headed);
  return rows;
}

/** What is to be made, a job a row. */
export function jobsTable({ work, about }: Pick<PlanDay, 'work' | 'about'>): (string | number)[][] {
  const minutes = new Map(work.jobs.map((job) => [job.id, job]));
  const labels = new Map(work.people.map(({ id, label }) => [id, label]));
  return [
    [
      'list',
      'does',
      'terminal',
      'wire',
      'pieces',
      'samples',
      'checks',
      'tools',
      'minutes',
      'set-up minutes',
      'people',
      'after',
    ],
    ...about.map((one) => {
      const job = minutes.get(one.job);
      return [
        ...[guardCell(one.list), one.does, guardCell(one.terminal || one.label), guardCell(one.wire)],
        ...[one.pieces, one.samples, one.checks],
        guardCell((job?.means ?? []).flatMap(({ tool }) => tool ?? []).join(' ')),
        ...[job?.means[0]?.run ?? 0, job?.isProved ? 0 : (job?.setUp ?? 0)],
        guardCell((job?.people ?? []).map((id) => labels.get(id) ?? id).join(' ')),
        job?.after.length ?? 0,
      ];
    }),
  ];
}
