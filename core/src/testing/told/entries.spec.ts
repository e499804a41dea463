import { standingOf, type SetUpContext } from '../../combination';
import { gateAbout } from '../../crimp';
import { lotOf, type EntryBody, type EntryKind, type Standing } from '../../entry';
import { checkAsked, checkEntry, describeEntry, entryCells, entrySlot, restsOf, slotsToCheck } from '../../journal';
import { Bench } from '../bench';
import { families, familyContext, fourIndent, wireRound } from '../families';
import { progress, record, running } from '../lotBench';
import { practice } from '../shop';
import { tellAlike, whole } from './tell';
import { holdTold, type Told } from './hold';
import approved from './entries.json';

/* Every kind of entry, with and without what it may say besides: what it says on record, and at benches that stand differently whether
   it is taken, or why not. */

type Body<K extends EntryKind> = Extract<EntryBody, { kind: K }>;
type Changes = Readonly<Record<string, unknown>>;

const note = '';
const stands: Standing = {
  ...{ tool: 'HT', die: 'A', nest: 'indent', setting: null, positioner: null },
  limit: { document: 'LIM', revision: 'A', class: '2' },
  revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
};
const plan = { everyPieces: 15, everyHours: null, afterChange: [], bothSides: false } as const;
const figures = { metal: 1.1, voids: 0.02, compression: 0.85, height: 1.5, width: 2, left: 0.5, strands: 7 };
const at = (x: number) => ({ x, y: 1 });
const scale = { from: at(0), to: at(310), length: 1 };
const length = { kind: 'length', points: [at(0), at(62)] };
const INSTANTS = { start: '2026-11-25T07:00:00.000Z', end: '2026-11-25T07:00:09.000Z' };
const noted = { note: 'said at the bench' };

/** Of each kind one that says the least, and what may differ in it. */
const KINDS: { readonly [K in EntryKind]: readonly [base: Omit<Body<K>, 'kind'>, changes: readonly Changes[]] } = {
  tool: [
    { tool: 'HT', die: 'A', nest: 'indent' },
    [
      { nest: 'roll' },
      { nest: 'oval' },
      { tool: 'FI', die: '-', nest: 'four', setting: '5', positioner: 'PO' },
      { tool: 'FI', die: '-', nest: 'four', setting: '4', positioner: 'PO' },
      { tool: 'FI', die: '-', nest: 'four', setting: '5' },
      { setting: '5' },
      { positioner: 'PO' },
      { look: { document: 'LOOK', revision: 'A', class: '2' } },
    ],
  ],
  gate: [
    { gate: 'strip-looked-at', answer: 'yes', note },
    [
      { answer: 'no' },
      { answer: 'no', ...noted },
      { answer: 'no', fault: 'nicked' },
      { answer: 'no', fault: 'not-home' },
      { fault: 'nicked' },
      { answer: 'no', ...noted, remedy: 'cut-off' },
      { answer: 'no', ...noted, remedy: 'mend' },
      { remedy: 'cut-off' },
      { end: 2 },
      { gate: 'slide-on' },
      { gate: 'setting' },
      { gate: 'locator' },
      { gate: 'orientation', end: 2 },
      { gate: 'seated' },
      { gate: 'cycle-complete', bite: 2 },
      { gate: 'formed', bite: 2, found: 'still' },
      { gate: 'formed', found: 'moves' },
      { gate: 'formed' },
      { found: 'still' },
    ],
  ],
  locator: [
    { trial: 1, measured: 2.9, note },
    [{ trial: 2 }, { trial: 2, measured: 3.3 }, { trial: 3 }, { measured: 0 }, { measured: 40 }, noted],
  ],
  mating: [
    { piece: 1, cycle: 1, insertion: null, withdrawal: 30, note },
    [
      { cycle: 2 },
      { piece: 2, cycle: 2 },
      { piece: 2, cycle: 1 },
      { insertion: 40 },
      { insertion: 0 },
      { insertion: 9999 },
      { withdrawal: 0 },
      { withdrawal: 9999 },
      { reel: 'R-5', ...noted },
      { lot: 1 },
    ],
  ],
  measure: [
    { piece: 1, what: 'strip', value: 7, typed: '7', unit: 'mm', note },
    [
      { value: 0.25, typed: '0.25', unit: 'in' },
      { value: 6.35, typed: '0.25', unit: 'in' },
      { value: 8 },
      { value: 0, typed: '0' },
      { value: -1, typed: '-1' },
      { value: 19, typed: '19' },
      { value: 900, typed: '900' },
      { typed: 'seven' },
      { unit: '°' },
      { wire: 2 },
      { end: 2 },
      { piece: 9, from: 'caliper C-1', ...noted },
      { after: 'trim' },
      { after: 'cut-off' },
      { what: 'height', value: 1.5, typed: '1.5' },
      { what: 'height', value: 1.5, typed: '1.5', wire: 2 },
      { what: 'height', value: 1.5, typed: '1.5', from: 'photo' },
      { what: 'width', value: 2, typed: '2' },
      { what: 'height', value: 1.5, typed: '1.5', end: 2 },
      { what: 'height', value: 1.5, typed: '1.5', unit: '°' },
      { what: 'straight', value: 3, typed: '3', unit: '°' },
      { what: 'straight', value: 3, typed: '3' },
      { what: 'straight', value: 400, typed: '400', unit: '°' },
      { what: 'strands', value: 6.5, typed: '6.5', unit: 'strands' },
      { what: 'strands', value: 7, typed: '7', unit: 'strands' },
      { lot: 1, what: 'height', value: 1.5, typed: '1.5' },
    ],
  ],
  finding: [
    { piece: 1, criterion: 'strands', finding: 'accept', note },
    [
      { criterion: 'as-drawn' },
      { criterion: 'as-drawn', finding: 'reject' },
      { criterion: 'brush' },
      { criterion: 'brush', finding: 'note' },
      { criterion: 'brush', finding: 'note', ...noted },
      { criterion: 'brush', finding: 'reject', fault: 'brush-short' },
      { finding: 'reject', fault: 'cut-strands' },
      { finding: 'reject', fault: 'brush-short' },
      { finding: 'rework' },
      { criterion: 'height' },
      { criterion: 'height', piece: 2 },
      { criterion: 'formerly' },
      { criterion: 'brush', end: 2 },
      { lot: 1, criterion: 'as-drawn' },
      { lot: 1, criterion: 'as-drawn', piece: 41 },
      { lot: 2 },
      { piece: 10_000 },
    ],
  ],
  reading: [
    { piece: 1, force: 180, typed: '180', unit: 'N', mode: 'slid-out', note, confirmed: [] },
    [
      { force: 0, typed: '0' },
      { force: Number.NaN },
      { typed: '190' },
      { typed: '180 N' },
      { typed: '40.47', unit: 'lbf' },
      { typed: '18 kgf' },
      { typed: 'much' },
      { force: 9000, typed: '9000' },
      { force: 9000, typed: '9000', confirmed: ['above-wire'] },
      { mode: 'grip-slipped' },
      { mode: 'grip-slipped', ...noted },
      { confirmed: ['not-looked-at'] },
      { confirmed: ['not-looked-at'], ...noted },
      { confirmed: ['pulled-already'] },
      { confirmed: ['imported'] },
      { failedEnd: 1 },
      { failedEnd: 2, piece: 2 },
      { failedEnd: 2, mode: 'grip-slipped', ...noted },
      { wire: 2 },
      { wire: 3 },
      { pull: INSTANTS, gauge: 'G-1' },
      { pull: { start: INSTANTS.end, end: INSTANTS.start } },
      { lot: 1, piece: 3 },
      { lot: 1, piece: 3, force: 80, typed: '80' },
    ],
  ],
  hold: [
    { piece: 3, force: 75, seconds: 60, moved: 0, note },
    [
      { force: 0 },
      { seconds: 0 },
      { moved: -0.1 },
      { moved: 0.4, ...noted },
      { force: 9000 },
      { piece: 1 },
      { piece: 2 },
      { lot: 1 },
      { lot: 1, piece: 1 },
    ],
  ],
  retention: [
    { piece: 1, cavity: '3', clicked: true, locked: true, force: 30, stayed: true, note },
    [
      { cavity: ' ' },
      { force: 0 },
      { force: null },
      { locked: null },
      { locked: false },
      { locked: false, ...noted },
      { clicked: false },
      { clicked: false, ...noted },
      { stayed: false, ...noted },
      ...[
        {},
        { straight: true },
        { straight: true, pulledBack: true },
        { straight: true, pulledBack: true, tool: 'inserter' },
        { straight: false, pulledBack: true, tool: 'inserter' },
        { straight: true, pulledBack: false, tool: 'inserter' },
        { straight: false, pulledBack: false, tool: 'inserter', ...noted },
        { straight: true, pulledBack: true, tool: 'inserter', cavity: '1' },
        { straight: true, pulledBack: true, tool: 'inserter', cavity: '1', seat: 2 },
        { straight: true, pulledBack: true, tool: 'inserter', cavity: '2', seat: 2 },
        { straight: true, pulledBack: true, tool: 'inserter', cavity: '2', seat: 2, contact: 'new' },
        { straight: true, pulledBack: true, tool: 'inserter', cavity: '2', seat: 3 },
        { straight: true, pulledBack: true, tool: 'inserter', seat: 2 },
        { straight: true, pulledBack: true, tool: 'inserter', lot: 1 },
        { straight: true, pulledBack: true, tool: 'inserter', piece: 2, cavity: '1' },
      ].map((own) => ({ connector: 'J1', locked: null, ...own })),
    ],
  ],
  removal: [
    {
      ...{ piece: 1, connector: 'J1', cavity: '1', seat: 1, technique: 'front', tool: 'extractor' },
      ...{ reason: 'wrong cavity', lance: 'good', grip: 'good', note },
    },
    [
      { technique: 'rear' },
      { tool: null },
      { tool: 'a nail' },
      { reason: 'other' },
      { reason: 'other', ...noted },
      { lance: 'hurt' },
      { grip: 'hurt' },
      { lance: 'hurt', ...noted },
      { seat: 2 },
      { cavity: '9' },
      { connector: 'J2' },
      { piece: 2 },
    ],
  ],
  lock: [
    { piece: 1, connector: 'J1', count: 1, closed: true, note },
    [
      { closed: false },
      { count: 2 },
      { count: 2, closed: false },
      { count: 2, closed: false, ...noted },
      { count: 3 },
      { connector: 'J2' },
      { connector: 'J2', closed: false },
      { piece: 2, count: 2 },
    ],
  ],
  photo: [
    { piece: 1, photo: { id: 'P1', digest: 'd' }, shows: 'from above', note },
    [{ end: 2, ...noted }, { lot: 1 }, { piece: 10_000 }],
  ],
  marks: [
    { piece: 1, photo: 'P0', marks: { scale, marks: [length] } as never, note },
    [
      { photo: 'P9' },
      { marks: { scale: null, marks: [] } },
      { marks: { scale, marks: [{ ...length, points: [at(0)] }] }, ...noted },
    ],
  ],
  section: [
    { piece: 1, photo: 'P0', pxPerMm: 400, figures, mended: [], note },
    [
      { photo: 'P9' },
      { pxPerMm: 0 },
      { figures: { ...figures, metal: 0 } },
      { end: 2, figures: { ...figures, strands: 6, strandsMost: 8, tilt: 11.4 }, ...noted },
      { mended: [{ label: 'void', width: 2, points: [] }] },
      { figures: { ...figures, strands: 1 } },
      { figures: { ...figures, strands: 0 }, byHand: true },
      { figures: { ...figures, strands: 0, isScratched: true } },
    ],
  ],
  cause: [
    { step: 1, cause: 'strip-short', evidence: [], note },
    [{ cause: 'formerly' }, { ...noted, step: 2 }, { lot: 1 }],
  ],
  trial: [{ evidence: 'Report 7', note }, [{ evidence: ' ' }, noted]],
  ruling: [
    { piece: 2, ruling: 'counts', note: 'no marks of the jaws' },
    [{ note }, { ruling: 'invalid' }, { piece: 1 }, { wire: 2 }, { lot: 1, piece: 3 }, { lot: 1, piece: 1 }],
  ],
  release: [
    { stands, note },
    [
      { stands: { ...stands, nest: 'roll' } },
      { stands: { ...stands, limit: { ...stands.limit, revision: 'B' } } },
      { stands: { ...stands, revisions: { ...stands.revisions, wire: 2 } } },
      { sheets: { tool: { number: 'T 1', revision: 'B', page: '3' } }, ...noted },
      {
        sheets: {
          terminal: { number: 'S 1', revision: 'A', page: null },
          tool: { number: 'T 1', revision: 'B', page: '3' },
        },
      },
    ],
  ],
  lot: [
    { lot: 1, name: 'L-1', pieces: 40, plan, stands, note },
    [
      { lot: 2, name: 'L-2' },
      { lot: 2 },
      { lot: 3 },
      { pieces: 0 },
      { pieces: 1_000_000 },
      { name: ' ' },
      { plan: { ...plan, everyPieces: 0 } },
      { plan: { ...plan, everyHours: 0 } },
      { plan: { ...plan, everyPieces: null, everyHours: 4 }, ...noted },
      { stands: { ...stands, nest: 'roll' } },
      { lot: 2, name: 'L-2', stands: { ...stands, nest: 'roll' } },
    ],
  ],
  progress: [
    { lot: 1, step: 2, what: 'made', made: 12, note },
    [
      { lot: 2 },
      { step: 1 },
      { step: 1, made: 20 },
      { step: 4 },
      { made: 5 },
      { made: 40 },
      { made: 41 },
      { what: 'pause' },
      { what: 'resume', ...noted },
      { what: 'change' },
      { what: 'change', change: 'wire-reel', to: 'R-9' },
      { what: 'change', change: 'tool', ...noted },
      { what: 'change', change: 'repair' },
      { what: 'change', change: 'repair', ...noted },
    ],
  ],
  disposition: [
    { lot: 1, step: 1, from: 1, to: 4, what: 'scrap', cause: 'look', note: 'bent' },
    [
      { lot: 2 },
      { from: 0 },
      { from: 5 },
      { to: 41 },
      { to: 39 },
      { note },
      { what: 'accept' },
      { what: 'accept', from: 6, to: 8 },
      { what: 'accept', from: 6, to: 7 },
      { what: 'use-as-is' },
      { what: 'rework' },
      { what: 'rework', budget: { cut: 300, shortest: 260, trim: 2 } },
      { what: 'rework', budget: { cut: 300, shortest: 299, trim: 2 } },
      { what: 'rework', from: 6, to: 7, budget: { cut: 300, shortest: 282, trim: 2 } },
    ],
  ],
  finish: [{ lot: 1, note }, [{ lot: 2 }, noted]],
  run: [
    { run: 2, cause: 'a new reel', revisions: stands.revisions },
    [{ cause: ' ' }, { run: 3 }, { run: 1 }, { revisions: { ...stands.revisions, practice: 2 } }],
  ],
};

/** All of one kind. */
const bodiesOf = (kind: EntryKind): EntryBody[] => {
  const [base, changes] = KINDS[kind];
  return [{}, ...changes].map((own) => ({ kind, ...base, ...own }) as EntryBody);
};
const ALL = (Object.keys(KINDS) as EntryKind[]).map(bodiesOf);

/** A bench with what has to be taken on record. */
function must(bench: Bench, ...bodies: readonly EntryBody[]): Bench {
  for (const body of bodies) record(bench, body);
  return bench;
}
const of = <K extends EntryKind>(kind: K, changes: Partial<Body<K>> = {}): EntryBody =>
  ({ kind, ...KINDS[kind][0], ...changes }) as EntryBody;

const house = { practice: { ...practice, setUpPieces: 2, measuredPieces: 1 } } satisfies Partial<SetUpContext>;
const contact = families['sealed-contact'];
const sealed = () =>
  new Bench(
    familyContext('sealed-contact', {
      ...house,
      terminal: {
        ...contact,
        mating: { counterpart: 'its tab', insertion: 60, withdrawal: 20, grease: true },
        cavity: contact.cavity && { ...contact.cavity, insertionTool: 'inserter', mostRemovals: 0 },
      },
    }),
  );
const seat = { connector: 'J1', locked: null, straight: true, pulledBack: true, tool: 'inserter' } as const;
const pulled = (piece: number, force: number, mode: Body<'reading'>['mode'], own: Partial<Body<'reading'>> = {}) =>
  of('reading', { piece, force, typed: String(force), mode, note: 'as seen', ...own });
const tool = (nest: string) => of('tool', { nest });
const checked = (piece: number) => [
  of('finding', { lot: 1, piece, criterion: 'as-drawn' }),
  pulled(piece, 180, 'slid-out', { lot: 1 }),
];
/** Proved, and not released. */
function proven(): Bench {
  const bench = running();
  bench.entries.splice(bench.entries.findIndex(({ body }) => body.kind === 'release'));
  return bench;
}
/** A released set-up with no lot yet. */
function released(): Bench {
  const bench = running();
  bench.entries.splice(bench.entries.findIndex(({ body }) => body.kind === 'lot'));
  return bench;
}

/** Benches that stand differently. */
const BENCHES: Readonly<Record<string, () => Bench>> = {
  'before anything is on record': sealed,
  'of a pair that does not fit': () =>
    new Bench(
      familyContext('lug', {
        wire: { ...wireRound, conductor: { ...wireRound.conductor, size: { scale: 'mm2', value: 25 }, strands: 120 } },
      }),
    ),
  'at a connector that is being filled': () =>
    must(
      sealed(),
      tool('roll'),
      of('measure', { what: 'height', piece: 2, value: 1.7, typed: '1.7' }),
      of('photo', { photo: { id: 'P0', digest: 'd' } }),
      pulled(2, 80, 'grip-slipped'),
      of('mating'),
      of('retention', { ...seat, cavity: '1' }),
      of('retention', { ...seat, cavity: '2' }),
      of('removal', { cavity: '2' }),
      of('lock'),
    ),
  'of a splice': () =>
    must(
      new Bench(familyContext('butt-splice', { ...house, opposite: [wireRound] })),
      tool('oval'),
      pulled(2, 80, 'grip-slipped', { failedEnd: 2 }),
    ),
  'of a contact with four indents': () => {
    const byTrial = fourIndent.positioners.map((each) => ({ ...each, depth: null, perTurn: 0.5 }));
    const tools = [{ ...fourIndent, positioners: byTrial }];
    const bench = new Bench(familyContext('machined-contact', { ...house, tools }));
    must(bench, of('tool', { tool: 'FI', die: '-', nest: 'four', setting: '5', positioner: 'PO' }));
    for (const step of bench.setUp.gates) {
      if (step.key === 'locator') break;
      must(bench, { kind: 'gate', ...gateAbout(step), answer: 'yes', note });
    }
    return must(bench, of('locator'));
  },
  'of a set-up that is proved': proven,
  'of a set-up that somebody else releases': () => {
    const bench = proven();
    const byTwo = { ...bench.context.practice, setUpReleasedBy: 'second-person' } as const;
    const later = new Bench({ ...bench.context, practice: byTwo });
    later.entries.push(...bench.entries);
    return later;
  },
  'of a set-up that is released': released,
  'of a lot under way': () => {
    const bench = must(running(), progress(1, 10), pulled(3, 80, 'grip-slipped', { lot: 1 }));
    const budget = { cut: 300, shortest: 282, trim: 2 };
    return must(bench, of('disposition', { what: 'rework', from: 6, to: 7, cause: 'other', budget }));
  },
  'of a lot whose tool was changed': () =>
    must(running(), progress(1, 10, { what: 'change', change: 'tool', note: 'worn' })),
  'of a lot that is finished': () => {
    const bench = running();
    const now = standingOf(bench.setUp, bench.entries, bench.context.revisions);
    if (!now) throw new Error('nothing released');
    bench.record({ ...of('lot', { pieces: 10, stands: now }) }, bench.entries.find((e) => e.body.kind === 'lot')?.id);
    return must(bench, progress(1, 10), ...checked(10), of('finish'));
  },
};

/** What each of them says on record, and where; counted within its kind. */
const tellSaid = (): string[] =>
  ALL.flatMap((own) =>
    own.flatMap((body, i) => {
      const { kind, ...about } = body;
      const [base, changes] = KINDS[kind];
      const name = `${kind} ${i}`;
      const cells = Object.entries(entryCells(body)).filter(([, value]) => value !== '');
      return [
        `${name} | ${whole(i === 0 ? about : (changes[i - 1] ?? base))}`,
        `${name} | ${describeEntry(body)} | ${entrySlot(body)} | ${whole(Object.fromEntries(cells))}`,
        // What it reads differs by kind, end and lot alone.
        ...(i === 0 || 'end' in body || 'lot' in body
          ? [`${name} | reads ${slotsToCheck(body)?.slice(0, 8).join(', ') ?? 'all'}`]
          : []),
      ];
    }),
  );

/** Whether each is taken at one bench, first and as a correction. */
function tellTaken(bench: Bench): string[] {
  const { setUp, entries, context, now } = bench;
  const known = new Map<number | null, ReturnType<typeof restsOf>>();
  const restsFor = (lot: number | null) => {
    const rests = known.get(lot) ?? restsOf(setUp, entries, context, lot, now);
    known.set(lot, rests);
    return rests;
  };
  // The standing that a page would send, where what is tried names none of its own.
  const own = standingOf(setUp, entries, context.revisions) ?? stands;
  const said = ALL.flatMap((of) => of.map((body, i) => [i, body] as const)).map(([i, body]) => {
    const sent = 'stands' in body && body.stands === stands ? { ...body, stands: own } : body;
    const tried = (why: string | null, isCorrection: boolean) => {
      const done = checkEntry(setUp, entries, sent, { why, isCorrection, by: 'Odile' }, restsFor(lotOf(body)));
      if (!done.ok) return `${done.refusal.code} ${done.refusal.field}: ${done.refusal.text}`;
      const { reading, limit } = done;
      return `taken${reading ? `, ${reading.verdict} by ${limit?.force ?? 'no limit'}: ${reading.reason.text}` : ''}`;
    };
    const [first, mended] = [tried(null, false), tried('measured again', true)];
    const asked = checkAsked(entries, body);
    const text = `${first}${mended === first ? '' : ` | as a correction ${mended}`}${asked ? ` | asks for more: ${asked.text}` : ''}`;
    return [text, `${body.kind} ${i}`] as const;
  });
  return tellAlike(said).map(([said, names]) => `${said} | ${listed(names)}`);
}

/** Numbers of each kind behind one another: 'tool 1 2 3, gate 4'. */
const listed = (names: readonly string[]) => {
  const kinds = new Map<string, string[]>();
  for (const name of names) {
    const [kind = '', number = ''] = name.split(' ');
    kinds.set(kind, [...(kinds.get(kind) ?? []), number]);
  }
  return [...kinds].map(([kind, numbers]) => `${kind} ${numbers.join(' ')}`).join(', ');
};

const told: Told = new Map([
  ['what each says', tellSaid],
  ...Object.entries(BENCHES).map(([name, bench]) => [`taken or not ${name}`, () => tellTaken(bench())] as const),
]);

holdTold({ in: 'entries', of: 'an entry of each kind' }, told, approved);
