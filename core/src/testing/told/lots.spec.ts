import { entrySlot } from '../../index';
import { CHANGES, DISPOSITION_CAUSES, DISPOSITIONS, type EntryBody } from '../../entry';
import { benchStep, lotTask, type LotVerdict } from '../../lot';
import { AS_DRAWN } from '../../look';
import { random } from '../../statistics';
import { FAILURE_MODES } from '../../tug';
import { checkAt, limitRow, limitTable, practice } from '../shop';
import { Bench } from '../bench';
import { prove, running } from '../lotBench';
import { tellReason } from './tell';
import { holdTold, type Told } from './hold';
import approved from './lots.json';

/* Lots whose days were thrown by dice and are the same again from the same seed: what is asked, refused, suspected and judged. */

type Dice = () => number;

/** Something that may come next at the bench, with its words. */
interface Act {
  readonly said: string;
  readonly body: EntryBody;
  /** Entry it corrects. */
  readonly corrects?: string;
}

const about = { lot: 1, note: '' } as const;

/** What is done next: what is asked for mostly, something else at times, and something wrong now and then. */
function nextAct(bench: Bench, lot: LotVerdict, dice: Dice): Act {
  const one = <T>(of: readonly T[]) => of[Math.floor(dice() * of.length)] as T;
  const among = (from: number, to: number) => from + Math.floor(dice() * (to - from + 1));
  const task = lotTask(lot);
  const { made, pieces, steps } = lot.head;
  const piece = task.piece ?? (dice() < 0.5 ? Math.max(1, made) : among(1, pieces));
  const step = steps.length + 1;
  const note = dice() < 0.8 ? 'put right, looked at twice' : '';
  const progress = (what: 'made' | 'pause' | 'resume' | 'change', to: number): Act => {
    const change = what === 'change' ? one(CHANGES) : null;
    return {
      said: `${what}${change ? ` ${change}` : ''} at ${to}`,
      body: {
        ...about,
        note,
        kind: 'progress',
        step,
        what,
        made: to,
        ...(change && { change, to: one(['R-1', 'R-2']) }),
      },
    };
  };
  const reading = (): Act => {
    const force = dice() < 0.88 ? among(160, 240) : among(20, 149);
    const mode = dice() < 0.85 ? 'slid-out' : one(FAILURE_MODES);
    const body = {
      ...about,
      kind: 'reading' as const,
      piece,
      force,
      typed: String(force),
      unit: 'N' as const,
      mode,
      confirmed: [],
    };
    return { said: `pull ${piece}: ${force} N, ${mode}`, body: { ...body, note: dice() < 0.7 ? 'as seen' : '' } };
  };
  const look = (): Act => {
    if (dice() < 0.8)
      return {
        said: `look at ${piece}: as drawn`,
        body: { ...about, kind: 'finding', piece, criterion: AS_DRAWN, finding: 'accept' },
      };
    const point = one(bench.setUp.lotCriteria.get(1) ?? bench.setUp.criteria);
    const finding = dice() < 0.9 ? one(point.findings) : 'note';
    return {
      said: `look at ${piece}: ${point.key} ${finding}`,
      body: { ...about, kind: 'finding', piece, criterion: point.key, finding },
    };
  };
  const dispose = (): Act => {
    const what = one(DISPOSITIONS);
    const from = among(1, Math.max(1, made));
    const to = dice() < 0.9 ? among(from, Math.max(from, made)) : pieces + 1;
    return {
      said: `${what} ${from} to ${to}`,
      body: {
        ...{
          ...about,
          note,
          kind: 'disposition',
          step: lot.disposed.length + 1,
          from,
          to,
          what,
          cause: one(DISPOSITION_CAUSES),
        },
        ...(what === 'rework' && dice() < 0.8 && { budget: { cut: 300, shortest: 260, trim: 2 } }),
      },
    };
  };
  const other = [
    () => progress('change', among(made, Math.min(pieces, made + 3))),
    () => progress('pause', made),
    () => progress('resume', made),
    () => progress('made', among(0, pieces + 2)),
    dispose,
    dispose,
    (): Act => ({
      said: `hold ${piece}`,
      body: { ...about, kind: 'hold', piece, force: 75, seconds: one([30, 60]), moved: one([0, 0.4]) },
    }),
    (): Act => ({
      said: `rule on ${piece}`,
      body: { ...about, note, kind: 'ruling', piece, ruling: one(['counts', 'invalid']) },
    }),
    (): Act => ({ said: 'finish', body: { ...about, kind: 'finish' } }),
    (): Act => {
      const own = bench.entries.filter((e) => e.body.kind === 'reading' && 'lot' in e.body).at(-1);
      const act = reading();
      if (!own || own.body.kind !== 'reading' || act.body.kind !== 'reading') return act;
      const body = { ...act.body, piece: own.body.piece };
      return { said: `correct the pull of ${body.piece}: ${body.force} N, ${body.mode}`, body, corrects: own.id };
    },
  ];
  if (dice() < 0.2) return one(other)();
  if (task.code === 'make')
    return progress('made', Math.min(pieces, dice() < 0.7 ? (task.upTo ?? made + 5) : made + among(1, 6)));
  if (task.code === 'resume') return progress('resume', made);
  if (task.code === 'finish') return { said: 'finish', body: { ...about, kind: 'finish' } };
  if (task.code === 'decide') return dispose();
  if (task.code === 'stop')
    return {
      said: `put right at ${made}`,
      body: { ...about, note, kind: 'progress', step, what: 'change', made, change: 'repair', to: 'adjusted' },
    };
  return task.step === 'tug' ? reading() : look();
}

/** A lot as its page tells of it. */
function tellLot(lot: LotVerdict): string[] {
  const { head, due, spans, disposed, counts, unfinished, verdict, headline, reasons, checks, bracket, noBracket } =
    lot;
  const task = lotTask(lot);
  return [
    `lot | ${verdict}: ${headline} | ${head.state}, ${head.made} of ${head.pieces} made`,
    `task | ${task.code}${task.piece === null ? '' : ` ${task.piece}`}${task.step ? ` ${task.step}` : ''}${task.upTo === null ? '' : ` up to ${task.upTo}`}: ${task.headline} ${task.why}`,
    ...(task.alarm ? [`task | alarm: ${task.alarm.headline} ${task.alarm.why}`] : []),
    ...due.map(
      (d) =>
        `due | ${d.code} ${d.piece} in ${d.inPieces}, ${d.inMinutes} min${d.overdue ? ', overdue' : ''}: ${d.text}`,
    ),
    ...checks.map((c) => `check ${c.piece} | ${c.outcome}, look ${c.look}, tug ${c.tug}, ${c.force} N: ${c.text}`),
    ...spans.map((s) => `pieces ${s.from} to ${s.to} | ${s.state}, ${s.why}: ${s.text}`),
    ...(bracket ? [`bracket | ${bracket.next}: ${bracket.text}`] : []),
    ...(noBracket ? [`bracket | none: ${noBracket}`] : []),
    ...disposed.map((d) => `decided | ${d.what} ${d.from} to ${d.to}: ${d.note}`),
    `counts | ${JSON.stringify(counts)}`,
    ...unfinished.map((text) => `not finished | ${text}`),
    ...reasons.map((each) => tellReason('lot', each)),
  ];
}

function afterFailedCheck(bench: Bench): Bench {
  const later = new Bench({ ...bench.context, checks: [...bench.context.checks, checkAt(bench.now, true, false)] });
  later.entries.push(...bench.entries);
  return later;
}

/** One lot through its day: each step with what differs after it. */
function tellDay(seed: number): string[] {
  const dice = random(seed);
  const plan = {
    everyPieces: 15,
    everyHours: seed % 3 ? null : 0.002,
    afterChange: [...CHANGES].slice(0, seed % 7),
    bothSides: seed % 2 === 1,
  };
  const good = checkAt('2026-11-25T06:00:00.000Z');
  const limits = [
    {
      ...limitTable,
      rows: [limitRow(1.5, { force: 150, hold: 75 })],
      hold: { percent: null, seconds: 60, force: null },
    },
  ];
  const house = { setUpPieces: 2, measuredPieces: 0, acceptance: 'minimum-only', lookRecord: 'whole-piece' } as const;
  const own = { checks: [good, { ...good, tool: 'HT-B' }], limits, practice: { ...practice, ...house } };
  let bench = running(own, plan);
  const lines: string[] = [];
  let before: string[] = [];
  let run = 1;
  for (let turn = 0; turn < 40; turn++) {
    // On some days the tool fails its check while the lot is made.
    if (turn === 12 && seed % 4 === 0) bench = afterFailedCheck(bench);
    const lot = bench.lot(1);
    if (!lot || lot.head.state === 'finished') break;
    if (lot.head.awaitsSetUp !== null && dice() < 0.5) {
      run++;
      bench.record({ kind: 'run', run, cause: 'the tool was changed', revisions: bench.context.newest });
      try {
        prove(bench, run % 2 ? 'HT' : 'HT-B', run);
        lines.push(`proved again, run ${run}`);
      } catch (error) {
        lines.push(`not proved again: ${String(error)}`);
      }
    }
    const act = nextAct(bench, lot, dice);
    const body = { ...act.body, ...(run > 1 && { run }) } as EntryBody;
    const refusal = bench.record(body, act.corrects);
    lines.push(
      `${act.said}${refusal ? ` | refused, ${refusal.code} ${refusal.field}: ${refusal.text}` : ` | ${entrySlot(act.body)}`}`,
    );
    const now = bench.lot(1);
    const step = benchStep(bench.setUp, bench.judged, bench.entries, now);
    const told = now ? [`next | ${step.state}, ${step.to}: ${step.text}`, ...tellLot(now)] : [];
    lines.push(...told.filter((line) => !before.includes(line)));
    before = told;
  }
  return lines;
}

/** Days of so many lots. */
const told: Told = new Map(Array.from({ length: 8 }, (_, i) => [`lot ${i + 1}`, () => tellDay(4100 + i)]));

holdTold({ in: 'lots', of: 'a lot through its day', inSentences: true }, told, approved);
