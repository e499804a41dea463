import { checkEntry, describeEntry, entryCells, entrySlot, restsOf, slotsToCheck } from '../../journal';
import { compareSetUps, judgeCombination, releaseThings, standingOf } from '../../combination';
import { gateAbout } from '../../crimp';
import { ofCurrentRun, lotOf, type EntryBody } from '../../entry';
import { benchStep } from '../../lot';
import type { Family } from '../../terminal';
import type { SetUpContext } from '../../combination';
import { Bench } from '../bench';
import { families, familyContext, wireRound } from '../families';
import { limitRow, limitTable, practice } from '../shop';
import { tellReason, whole } from './tell';
import { holdTold, type Told } from './hold';
import approved from './journals.json';

/* What the journal says of each kind of entry, what it refuses and why, and how a set-up stands after each step of it. */

const note = '';
/** What may be wrong with an entry: each tried for itself, where the entry has such a field. */
const WRONG: readonly Readonly<Record<string, unknown>>[] = [
  ...[
    { piece: 0 },
    { piece: 99 },
    { force: -5 },
    { force: 0 },
    { force: 99_999 },
    { force: 0.2 },
    { value: -1 },
    { value: 0 },
    { value: 9999 },
  ],
  ...[
    { wire: 7 },
    { end: 2 },
    { lot: 3 },
    { run: 4 },
    { gate: 'formed' },
    { criterion: 'cover' },
    { criterion: 'as-drawn' },
    { finding: 'rework' },
  ],
  ...[
    { finding: 'reject' },
    { mode: 'grip-slipped' },
    { fault: 'nope' },
    { tool: 'XX' },
    { nest: 'x' },
    { setting: '9' },
    { positioner: 'x' },
  ],
  ...[
    { answer: 'no' },
    { bite: 4 },
    { cavity: '99' },
    { cycle: 3 },
    { seconds: 0 },
    { moved: -1 },
    { step: 9 },
    { made: 99 },
    { from: 9, to: 2 },
  ],
  ...[
    { pieces: 0 },
    { pieces: 2_000_000 },
    { name: '' },
    { cause: '' },
    { what: 'strip' },
    { insertion: -3 },
    { withdrawal: 900 },
    { evidence: '' },
  ],
];

const refusalOf = (bench: Bench, body: EntryBody, isCorrection = false) => {
  const rests = restsOf(bench.setUp, bench.entries, bench.context, lotOf(body), bench.now);
  const done = checkEntry(bench.setUp, bench.entries, body, { why: null, isCorrection, by: 'Odile' }, rests);
  return done.ok ? null : done.refusal;
};

const tellEntry = (body: EntryBody): string =>
  `says | ${describeEntry(body)} | ${entrySlot(body)} | ${whole(entryCells(body))} | ${whole(slotsToCheck(body) ?? {})}`;

/** How it stands: stages, what comes next, whether it may be released. */
function tellStanding(bench: Bench): string[] {
  const judged = judgeCombination(bench.setUp, bench.entries, bench.context, bench.now);
  const next = benchStep(bench.setUp, judged, bench.entries, null);
  return [
    `stands | ${judged.verdict}: ${judged.headline} | next ${next.state}, ${next.to}: ${next.text}`,
    ...judged.stages.flatMap(({ stage, state, answer, reasons }) => [
      `${stage} | ${state}: ${answer}`,
      ...reasons.map((each) => tellReason(stage, each)),
    ]),
    ...judged.holding.map(({ stage, text }) => `holds | ${stage}: ${text}`),
    `release | ${judged.release.state}`,
    ...judged.release.reasons.map((each) => tellReason('release', each)),
  ];
}

const CLEAN: readonly Family[] = ['lug', 'sealed-contact'];

/** The work of a set-up, right where it is not said otherwise. */
function* workOf(bench: Bench): Generator<EntryBody> {
  const { chosen } = bench.setUp.toolChoice;
  if (!chosen) return;
  yield { kind: 'finding', piece: 1, criterion: 'brush', finding: 'accept', note };
  yield {
    ...{ kind: 'tool', tool: chosen.tool.part, die: chosen.die.id, nest: chosen.nest.id },
    ...(chosen.setting && { setting: chosen.setting }),
    ...(chosen.positioner && { positioner: chosen.positioner.id }),
  };
  const { gates, wires, pulls } = bench.setUp;
  // Of some nothing goes wrong, so that they are released.
  const isClean = CLEAN.includes(bench.context.terminal.family);
  for (const { number, end, preparation } of wires) {
    const value = preparation?.strip.setPoint ?? 7;
    const of = { ...(number > 1 && { wire: number }), ...(end === 2 && { end: 2 as const }) };
    if (!isClean)
      yield {
        kind: 'measure',
        piece: 1,
        what: 'strip',
        value: value + 4,
        typed: String(value + 4),
        unit: 'mm',
        note: '',
        ...of,
      };
    yield { kind: 'measure', piece: 1, what: 'strip', value, typed: String(value), unit: 'mm', note, ...of };
  }
  for (const [i, step] of gates.entries()) {
    if (i === 1 && !isClean)
      yield {
        kind: 'gate',
        ...gateAbout(step),
        answer: 'no',
        note: 'not so',
        ...(step.remedies[0] && { remedy: step.remedies[0] }),
      } as EntryBody;
    yield { kind: 'gate', ...gateAbout(step), answer: 'yes', note };
  }
  for (const piece of [1, 2]) {
    for (const { code, end, number, findings } of bench.setUp.criteria) {
      const of = { piece, ...(end === 2 && { end: 2 as const }) };
      if (number) {
        const value = (number.range.min + number.range.max) / 2;
        yield { kind: 'measure', what: code, value, typed: String(value), unit: 'mm', note, ...of } as EntryBody;
      }
      if (!isClean && piece === 1 && code === 'strands' && findings.includes('reject'))
        yield { kind: 'finding', criterion: code, finding: 'reject', fault: 'cut-strands', note: 'two of them', ...of };
      yield { kind: 'finding', criterion: code, finding: 'accept', note, ...of };
    }
  }
  yield { kind: 'hold', piece: 2, force: 75, seconds: 60, moved: 0, note };
  for (const piece of [1, 2]) {
    for (const { number } of pulls) {
      // On the first of the families the second piece is low and called no test.
      const isLow = piece === 2 && bench.context.terminal.family === 'bare-terminal';
      const force = isLow ? 80 : 170 + 10 * piece;
      yield {
        ...{ kind: 'reading', piece, force, typed: String(force), unit: 'N', note: 'as seen', confirmed: [] },
        ...{ mode: isLow ? 'grip-slipped' : 'slid-out', ...(number > 1 && { wire: number }) },
      } as EntryBody;
    }
  }
  yield { kind: 'ruling', piece: 2, ruling: 'counts', note: 'no marks of the jaws' };
  yield { kind: 'ruling', piece: 2, ruling: 'invalid', note: 'the jaws were worn' };
  yield {
    ...{
      kind: 'reading',
      piece: 3,
      force: 185,
      typed: '41.6',
      unit: 'lbf',
      mode: 'broke-in-wire',
      note,
      confirmed: ['above-wire'],
    },
  };
  yield { kind: 'retention', piece: 1, cavity: '1', clicked: true, locked: true, force: 30, stayed: true, note };
  if (!isClean)
    yield {
      kind: 'retention',
      piece: 2,
      cavity: '1',
      clicked: false,
      locked: null,
      force: 12,
      stayed: false,
      note: 'came out',
    };
  for (const cycle of [1, 2, 5, 10])
    yield { kind: 'mating', piece: 1, cycle, insertion: 20 + cycle, withdrawal: 30 - cycle, note };
  yield { kind: 'trial', evidence: 'Report 7', note };
  yield { kind: 'locator', trial: 1, measured: 2.9, note } as EntryBody;
  yield { kind: 'cause', step: 1, cause: 'strip-short', evidence: ['brush-short', 'no gap-long'], note: 'set again' };
  const stands = standingOf(bench.setUp, ofCurrentRun(bench.entries), bench.context.revisions);
  if (stands) yield { kind: 'release', stands, note };
  yield { kind: 'run', run: 2, cause: 'a new reel', revisions: bench.context.newest };
}

function tellWork(family: Family, changes: Partial<SetUpContext>): string[] {
  const house = { setUpPieces: 2, measuredPieces: 1, acceptance: 'minimum-only' } as const;
  const context = familyContext(family, {
    practice: { ...practice, ...house },
    limits: [
      {
        ...limitTable,
        rows: [limitRow(1.5, { force: 150, hold: 75 })],
        hold: { percent: null, seconds: 60, force: null },
      },
    ],
    ...changes,
  });
  const bench = new Bench(context);
  const lines: string[] = [];
  let before: string[] = [];
  const tried = new Set<string>();
  for (const body of workOf(bench)) {
    lines.push(tellEntry(body));
    // Each kind is tried once with everything that may be wrong with it.
    const isFirst = !tried.has(body.kind);
    tried.add(body.kind);
    for (const wrong of isFirst ? WRONG : []) {
      if (
        !Object.keys(wrong).every(
          (key) => key in body || key === 'lot' || key === 'run' || key === 'end' || key === 'wire',
        )
      )
        continue;
      const refused = refusalOf(bench, { ...body, ...wrong } as EntryBody);
      if (refused) lines.push(`with ${whole(wrong)} | ${refused.code} ${refused.field}: ${refused.text}`);
    }
    const refusal = bench.record(body);
    if (refusal) lines.push(`refused | ${refusal.code} ${refusal.field}: ${refusal.text}`);
    const now = tellStanding(bench);
    lines.push(...now.filter((line) => !before.includes(line)));
    before = now;
  }
  const things = releaseThings(bench.setUp, bench.entries, bench.judged);
  const other = new Bench({ ...context, terminal: families[family === 'lug' ? 'bare-terminal' : 'lug'] }).setUp;
  return [
    // Said once, however often it is tried.
    ...new Set(lines),
    ...things.map((each) => `of six | ${whole(each)}`),
    ...compareSetUps(bench.setUp, other).map((each) => `beside a lug | ${whole(each)}`),
  ];
}

const mating = { counterpart: 'its tab', insertion: 60, withdrawal: 20, grease: true };
/** Families whose work differs in kind. */
const WORK: readonly (readonly [family: Family, changes: Partial<SetUpContext>])[] = [
  ['bare-terminal', {}],
  ['sealed-contact', { terminal: { ...families['sealed-contact'], mating } }],
  ['machined-contact', {}],
  ['butt-splice', { opposite: [wireRound] }],
  ['lug', {}],
];

const told: Told = new Map(WORK.map(([family, changes]) => [family, () => tellWork(family, changes)]));

holdTold({ in: 'journals', of: 'what goes on record' }, told, approved);
