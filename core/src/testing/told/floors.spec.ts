import {
  asPlan,
  byDueDate,
  checkFloor,
  cutList,
  cutMoves,
  dueSoon,
  EMPTY_FLOOR,
  howItWent,
  learnTimes,
  modelOf,
  pickList,
  planShop,
  readBreaks,
  readDays,
  readTimeOfDay,
  reorder,
  showAmount,
  stockOf,
  tellBreaks,
  tellDays,
  testingCosts,
  type PlanEnds,
  type ShopFloor,
  type ShopPlan,
  type ShopSource,
  type StockMove,
} from '../../plan';
import { computeSetUp } from '../../combination';
import { FAMILIES, type Family } from '../../terminal';
import { random } from '../../statistics';
import { familyContext } from '../families';
import { NOW, stripper } from '../shop';
import { BRAM, early, floorOf, INES, listOf, NAMES, ODILE, person, source, toMake } from '../shopFloor';
import approved from './floors.json';
import { holdTold, type Lines, type Told } from './hold';
import { tellChange, whole } from './tell';

const NOBODY = '00000000-0000-4000-8000-000000000009';
const bench = (name: string, changes: Partial<ShopFloor['benches'][number]> = {}): ShopFloor['benches'][number] => ({
  ...{ id: name, label: `Bench ${name}`, places: [], heater: null, stripper: null },
  ...changes,
});
// ── what cannot be meant ─────────────────────────────────────────────────────────────────────────────────────────────

const hours = (changes: Partial<ShopFloor['hours'][number]>) => ({ person: ODILE, ...early, breaks: [], ...changes });
const FAULTY: Readonly<Record<string, Partial<ShopFloor>>> = {
  'all well': {},
  'benches of one name': { benches: [bench('B1'), bench('b1'), bench('B2'), bench('B1')] },
  'places of two benches': {
    benches: [bench('B1', { places: ['Window', 'door'] }), bench('B2', { places: ['window', 'corner'] })],
  },
  'a stripper that is none': { benches: [bench('B1', { stripper: 'ST-9' }), bench('B2', { stripper: 'ST-4' })] },
  'hours of nobody': { hours: [hours({ person: NOBODY }), hours({ person: NOBODY, from: '15:00', to: '15:00' })] },
  'no length': { hours: [hours({ from: '08:00', to: '08:00' })] },
  'one minute long': { hours: [hours({ from: '08:00', to: '08:01' })] },
  'over midnight': { hours: [hours({ from: '22:00', to: '06:00', breaks: [{ from: '01:30', to: '02:00' }] })] },
  'breaks outside': {
    hours: [
      hours({
        breaks: [
          { from: '06:00', to: '06:10' },
          { from: '14:20', to: '14:30' },
          { from: '14:20', to: '14:31' },
          { from: '05:59', to: '06:10' },
          { from: '10:00', to: '10:00' },
        ],
      }),
    ],
  },
  'a day of its own': {
    extra: [
      { person: NOBODY, day: '2026-11-28', from: '08:00', to: '12:00', breaks: [] },
      { person: BRAM, day: '2026-11-28', from: '08:00', to: '08:00', breaks: [] },
      { person: BRAM, day: '2026-11-29', from: '08:00', to: '12:00', breaks: [{ from: '07:00', to: '07:10' }] },
    ],
  },
  'shifts over each other': {
    hours: [
      hours({ days: [1, 2] }),
      hours({ days: [2, 3], from: '14:29', to: '20:00' }),
      hours({ days: [3], from: '20:00', to: '23:00' }),
      hours({ person: BRAM, days: [1] }),
      hours({ days: [7], from: '22:00', to: '06:30' }),
    ],
  },
  'absences that end before they begin': {
    away: [
      { person: ODILE, from: '2026-11-26T10:00', to: '2026-11-26T09:00', why: '' },
      { person: ODILE, from: '2026-11-26T10:00', to: '2026-11-26T10:00', why: '' },
      { person: NOBODY, from: '2026-11-26T10:00', to: '2026-11-26T11:00', why: 'ill' },
    ],
  },
  'days twice': { closed: ['2026-12-24', '2026-12-25', '2026-12-24'].map((day) => ({ day, why: '' })) },
  'times twice': {
    pieceSeconds: [
      { family: 'lug', means: 'hand', seconds: 90 },
      { family: 'lug', means: 'press', seconds: 60 },
      { family: 'ferrule', means: 'hand', seconds: 20 },
      { family: 'lug', means: 'hand', seconds: 95 },
    ],
  },
};
const tellFaults: Lines = () =>
  Object.entries(FAULTY).flatMap(([name, changes]) => {
    const faults = checkFloor(floorOf(changes), NAMES, new Set(['ST-4']));
    return [
      `${name} | ${faults.length}`,
      ...faults.map(({ at, text }) => `${name} | ${at.join(' ')} | ${text}`),
      ...(name === 'a stripper that is none' ? [`unasked | ${checkFloor(floorOf(changes), NAMES).length}`] : []),
    ];
  });

// ── from combinations to jobs ────────────────────────────────────────────────────────────────────────────────────────

const ring = familyContext('bare-terminal');
const standsAs = (isProved: boolean): ShopSource['standing'] =>
  ring.tools.map(({ part, dies }) => ({
    ...{ tool: part, combination: 'bare-terminal', isProved },
    set: { die: dies[0]?.id ?? null, nest: null, selector: null, positioner: null, grip: null, reel: null },
  }));
const two = [toMake('bare-terminal', { pieces: 61 }), toMake('insulated-terminal', { pieces: 30 })];
const strange = familyContext('lug', { wire: ring.wire });
const SHOPS: Readonly<Record<string, Partial<ShopSource>>> = {
  'one job': {},
  'of many pieces, with checks between': { toMake: [toMake('bare-terminal', { pieces: 900, everyPieces: 100 })] },
  'of one piece': { toMake: [toMake('bare-terminal', { pieces: 1 })] },
  'that begins late in a short shift': {
    start: '2026-11-25T11:00:00.000Z',
    floor: floorOf({ hours: [ODILE, INES].map((own) => ({ person: own, ...early, to: '07:00' })), lotMinutes: 480 }),
    toMake: [toMake('bare-terminal', { pieces: 300 })],
  },
  'with times that were learned': {
    timeOf: () => ({ seconds: 11, pieces: 240 }),
    stepTime: (step) => (step === 'check' ? 2.5 : 21),
  },
  'released by whoever makes it': { people: [person(ODILE, 'Odile', { releases: true })] },
  'qualified until yesterday': { people: [person(ODILE, 'Odile', { qualifiedUntil: '2026-11-24' })] },
  'that stands proved': { standing: standsAs(true), toMake: two },
  'that stands unproved': { standing: standsAs(false) },
  'that stands proved and nobody of quality is in': {
    standing: standsAs(true),
    floor: floorOf({ hours: [{ person: ODILE, ...early }] }),
  },
  'of heat without a heater': {
    floor: floorOf({ benches: [bench('B1')] }),
    toMake: [toMake('sealed-sleeve-terminal'), toMake('bare-terminal')],
  },
  'of heat': { toMake: [toMake('sealed-sleeve-terminal')] },
  'of every family': {
    toMake: FAMILIES.map((family) => toMake(family)),
    tools: [
      ...new Map(
        (['insulated-terminal', 'sealed-contact', 'lug', 'ferrule', 'machined-contact'] as const)
          .flatMap((family) => familyContext(family).tools)
          .map((own) => [own.part, own] as const),
      ).values(),
    ],
    floor: floorOf({ benches: [bench('B1', { stripper: stripper.part }), bench('B2', { places: ['bench 2'] })] }),
  },
  'with a stripper at another bench': {
    floor: floorOf({
      benches: [bench('B1', { stripper: stripper.part }), bench('B2', { heater: { warmUp: 8, coldAfter: 40 } })],
    }),
    toMake: [toMake('sealed-sleeve-terminal'), toMake('bare-terminal')],
  },
  'what is held, does not fit, or has no tool': {
    toMake: [
      toMake('bare-terminal', { combination: 'h', held: 'its lot L-2 is on hold: clear it first.' }),
      toMake('lug', { combination: 'n', wires: [ring.wire], setUp: computeSetUp(strange, [], NOW) }),
      toMake('ferrule', {
        combination: 't',
        setUp: computeSetUp(familyContext('ferrule', { tools: [] }), [], NOW),
      }),
    ],
  },
  'with too little in the drawer': { supplyOf: () => ({ have: 30, expected: [] }), toMake: two },
  'with nothing in the drawer': { supplyOf: () => ({ have: 0, expected: [] }) },
  'with more to come': {
    supplyOf: () => ({
      have: 30,
      expected: [
        { arrives: '2026-11-25T10:00', amount: 7 },
        { arrives: '2026-11-26T10:00', amount: 0 },
        { arrives: '2026-11-26T12:00', amount: 100 },
      ],
    }),
    toMake: two,
  },
  'with wires to cut and connectors to fill': {
    floor: floorOf({ lotMinutes: 15, cutSeconds: 30, insertSeconds: 20 }),
    toMake: two,
    lists: [
      listOf({
        isCut: false,
        wires: 75,
        connectors: [
          { name: 'X1', contacts: 91, combinations: ['insulated-terminal', 'gone'] },
          { name: 'X2', contacts: 0, combinations: ['bare-terminal'] },
          { name: 'X3', contacts: 10, combinations: ['gone'] },
          { name: 'X4', contacts: 2, combinations: ['bare-terminal'] },
        ],
        order: [{ first: 'bare-terminal', then: 'insulated-terminal', why: 'a boot' }],
      }),
      listOf({ name: 'Spare', due: null, isCut: false, wires: 0 }),
    ],
  },
  'with orders that are opposite': {
    toMake: two,
    lists: [
      listOf({
        order: [
          { first: 'bare-terminal', then: 'insulated-terminal', why: 'a boot' },
          { first: 'insulated-terminal', then: 'bare-terminal', why: 'a joint' },
        ],
      }),
    ],
  },
  'of two lists': {
    lists: [listOf({ name: 'Later', due: '2026-11-27', weight: 3 }), listOf({ due: null })],
    toMake: [toMake('bare-terminal', { combination: 'later', list: 'Later' }), toMake('bare-terminal')],
    supplyOf: () => ({ have: 70, expected: [] }),
  },
  'of nothing': { floor: EMPTY_FLOOR, people: [], tools: [], lists: [], toMake: [] },
};

const clock = (minute: number) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
const tellShop = (changes: Partial<ShopSource>): string[] => {
  const { work, about, cannot, notes, ends } = planShop(source(changes));
  const { jobs, ...rest } = work;
  const plan = asPlan(byDueDate(modelOf(work)));
  return [
    ...Object.entries(rest).map(([name, own]) => `${name} | ${whole({ is: own })}`),
    ...jobs.map((job) => `job | ${whole(job)}`),
    ...about.map((one) => `about | ${whole(one)}`),
    ...cannot.map((one) => `cannot | ${whole(one)}`),
    ...notes.map((one) => `note | ${whole(one)}`),
    `ends | ${whole(ends)}`,
    ...plan.placed.map(({ job, start, end, bench: at, person: by }) => `placed | ${job} ${start}-${end} ${at} ${by}`),
    ...plan.left.map((one) => `left | ${whole(one)}`),
    ...dueSoon(plan, about, ends, clock).map((one) => `soon | ${whole(one)}`),
  ];
};

// ── what ends, what is taken, how it went ────────────────────────────────────────────────────────────────────────────

/** A day of three jobs of two combinations. */
const busy = (): ShopPlan =>
  planShop(
    source({
      toMake: [toMake('bare-terminal', { pieces: 300, everyPieces: 60 }), toMake('insulated-terminal', { pieces: 80 })],
      lists: [listOf({ isCut: false, wires: 100 })],
      floor: floorOf({ lotMinutes: 60 }),
    }),
  );

const tellEnds: Lines = () => {
  const { work, about } = busy();
  const plan = asPlan(byDueDate(modelOf(work)));
  const tool = plan.placed.find((one) => one.tool !== null)?.tool ?? '';
  const times = plan.placed.filter((one) => one.tool === tool).map(({ end }) => end);
  const [first = 0, last = 0] = [times[0], times.at(-1)];
  const soon = (ends: Partial<PlanEnds>) =>
    dueSoon(plan, about, { ...{ tools: [], people: [], limits: [] }, ...ends }, clock).map((one) => whole(one));
  const far = { tool, calibratedUntil: 99_999, checkedUntil: 99_999, cyclesLeft: null };
  const needed = plan.placed
    .filter((one) => one.tool === tool)
    .flatMap(({ job }) => about.find((one) => one.job === job) ?? [])
    .reduce(
      (sum, { pieces, samples, checks, rework, strokes }) => sum + (pieces + samples + checks + rework) * strokes,
      0,
    );
  const asked: Readonly<Record<string, Partial<PlanEnds>>> = {
    nothing: { tools: [far] },
    'a calibration after the first job': { tools: [{ ...far, calibratedUntil: first }] },
    'a calibration as the last job ends': { tools: [{ ...far, calibratedUntil: last }] },
    'a calibration just before': { tools: [{ ...far, calibratedUntil: last - 1 }] },
    'a check that is due': { tools: [{ ...far, checkedUntil: null }] },
    'a check that holds for a while': { tools: [{ ...far, checkedUntil: first }] },
    'cycles that do': { tools: [{ ...far, cyclesLeft: needed }] },
    'a cycle too few': { tools: [{ ...far, cyclesLeft: needed - 1 }] },
    'hardly a cycle': { tools: [{ ...far, cyclesLeft: 1 }] },
    'a qualification': { people: [{ person: ODILE, name: 'Odile', family: null, until: first }] },
    'a qualification of a family': {
      people: [{ person: ODILE, name: 'Odile', family: 'insulated-terminal', until: 0 }],
    },
    'of somebody who is not in it': { people: [{ person: BRAM, name: 'Bram', family: null, until: 0 }] },
    'a limit table': { limits: [{ document: 'LT-9', until: first, combinations: ['bare-terminal'] }] },
    'a limit table of others': { limits: [{ document: 'LT-9', until: 0, combinations: ['gone'] }] },
    'several, in order': {
      tools: [{ ...far, calibratedUntil: last - 1, checkedUntil: first }],
      limits: [{ document: 'LT-9', until: 1, combinations: ['insulated-terminal'] }],
    },
  };
  return Object.entries(asked).flatMap(([name, ends]) => {
    const lines = soon(ends);
    return lines.length ? lines.map((line) => `${name} | ${line}`) : [`${name} | nothing`];
  });
};

const move = (
  own: Partial<StockMove> & Pick<StockMove, 'kind' | 'part' | 'what' | 'amount'>,
  i: number,
): StockMove => ({
  ...{ id: `m${i}`, at: `2026-11-${String(2 + (i % 24)).padStart(2, '0')}T06:00:00.000Z`, reel: null, arrives: null },
  settles: null,
  ...own,
});
const tellStock: Lines = () => {
  const { about } = busy();
  const part = about[0]?.terminal ?? '';
  const wire = about[0]?.wire ?? '';
  const moves: StockMove[] = [
    { kind: 'terminal' as const, part, what: 'counted' as const, amount: 200 },
    { kind: 'terminal' as const, part, what: 'drawn' as const, amount: 60 },
    { kind: 'terminal' as const, part, what: 'expected' as const, amount: 90, arrives: '2026-11-27T08:00' },
    { kind: 'terminal' as const, part, what: 'expected' as const, amount: 50, arrives: '2026-11-26T08:00' },
    { kind: 'terminal' as const, part, what: 'expected' as const, amount: 5000, arrives: '2026-12-26T08:00' },
    { kind: 'terminal' as const, part, what: 'called-off' as const, amount: 5000, settles: 'm4' },
    { kind: 'terminal' as const, part, what: 'received' as const, amount: 10 },
    { kind: 'wire' as const, part: wire, what: 'counted' as const, amount: 20_000, reel: 'R1' },
    { kind: 'wire' as const, part: wire, what: 'counted' as const, amount: 2_400, reel: 'R2' },
    { kind: 'wire' as const, part: wire, what: 'drawn' as const, amount: 900, reel: 'R2' },
    { kind: 'covering' as const, part: 'TU', what: 'counted' as const, amount: 5 },
    { kind: 'covering' as const, part: 'TU', what: 'drawn' as const, amount: 9 },
    { kind: 'wire' as const, part: 'W-9', what: 'drawn' as const, amount: 1200, reel: 'R9' },
    { kind: 'wire' as const, part: 'W-8', what: 'counted' as const, amount: 700 },
  ].map(move);
  const stock = stockOf(moves, '2026-11-30T06:00:00.000Z');
  const jobs = about.map((one, i) => (i % 2 ? { ...one, slidOn: ['TU', 'BO'] } : one));
  const wires = [
    { list: 'Loom', wire, length: 480, quantity: 30 },
    { list: 'Loom', wire, length: 333, quantity: 12 },
    { list: 'Next', wire, length: 520, quantity: 5 },
    { list: 'Done', wire, length: 900, quantity: 50, isCut: true },
    { list: 'Next', wire: 'W-8', length: 140, quantity: 6 },
    { list: 'Next', wire: 'W-7', length: 100, quantity: 3 },
  ];
  const cut = (some: typeof wires, keep: number) => cutList(some, jobs, stock, { sample: 150, keep });
  return [
    ...stock.map((one) => `stock | ${whole(one)} | ${whole(reorder(one, 5, 2))} | ${showAmount(one.kind, one.amount)}`),
    ...[0, 999, 1000, 12_345].map((mm) => `amount | ${showAmount('wire', mm)}, ${showAmount('covering', mm + 0.6)}`),
    `reorder | ${whole(reorder({ amount: 14, expected: [], aDay: 2 }, 5, 2))} ${whole(reorder({ amount: 15, expected: [], aDay: 2 }, 5, 2))}`,
    ...pickList(jobs, stock).map((need) => `pick | ${whole(need)}`),
    ...cut(wires, 500).map((need) => `cut | ${whole(need)}`),
    ...cut([{ list: 'Loom', wire, length: 480, quantity: 60 }, ...wires], 0).map((need) => `too much | ${whole(need)}`),
    `taken | ${whole(cutMoves(cut(wires, 500)))}`,
  ];
};

const tellWent: Lines = () => {
  const { work, about } = busy();
  const plan = asPlan(byDueDate(modelOf(work)));
  const jobs = Object.fromEntries(
    about.map(({ job, label, list, combination, pieces }) => [
      job,
      { label: `${label} · ${pieces}`, list, combination, pieces },
    ]),
  );
  const ends = plan.placed.filter(({ job }) => jobs[job]?.combination).map(({ end }) => end);
  const starts = plan.placed.filter(({ job }) => jobs[job]?.combination).map(({ start }) => start);
  const gone = (combination: string, begun: number | null, made: number, setUps = 1) => ({
    ...{ combination, begun, last: begun === null ? null : begun + 90, made, setUps },
  });
  const went = {
    'nothing yet': [],
    'begun late': [gone('bare-terminal', 40, 60)],
    'all made': [gone('bare-terminal', 3, 300, 2), gone('insulated-terminal', 190, 80)],
    'more than all': [gone('bare-terminal', 3, 400)],
    'not begun, and something else': [gone('bare-terminal', null, 0, 0), gone('other', 5, 5)],
  };
  // Out of order, as placed jobs come from what was kept.
  const placed = plan.placed.toReversed();
  return Object.entries(went).flatMap(([name, own]) => [
    whole({ is: howItWent(placed, jobs, own, 99_999).rows }),
    ...[starts[0] ?? 0, (ends[0] ?? 0) - 1, ends[0] ?? 0, 99_999].map((until) => {
      const { rows, ...sums } = howItWent(placed, jobs, own, until);
      return `${name}, until ${until} | ${rows.map(({ state }) => state).join(', ')} | ${whole(sums)}`;
    }),
  ]);
};

const tellTimes: Lines = () => {
  const next = random(12);
  const worked = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 60_000;
  const lot = (family: Family, means: 'hand' | 'press', count: number) => {
    let [minute, made] = [0, 0];
    const marks = Array.from({ length: count }, () => {
      minute += Math.floor(1 + 9 * next());
      made += Math.floor(12 * next());
      return { at: new Date(Date.UTC(2026, 10, 25, 6, minute)).toISOString(), made, isCheck: next() < 0.3 };
    });
    return { family, means, worked, marks };
  };
  const lots = [lot('lug', 'hand', 9), lot('lug', 'hand', 4), lot('lug', 'press', 2), lot('ferrule', 'hand', 30)];
  const beginning = { at: '2026-11-25T06:00:00.000Z', made: 0, isCheck: false };
  return [
    ...learnTimes(lots, () => 1.5).map((one) => `learned | ${whole(one)}`),
    ...learnTimes(lots, () => 0).map((one) => `without checks | ${whole(one)}`),
    `of nothing | ${whole(learnTimes([{ family: 'lug', means: 'hand', worked, marks: [beginning] }], () => 1))}`,
    `in no time | ${whole(learnTimes([{ family: 'lug', means: 'hand', worked, marks: [beginning, { ...beginning, made: 9 }] }], () => 1))}`,
    ...[1, 2, 12, 240].flatMap((pieces) =>
      testingCosts({ pieces, samples: 5, wireLength: 480, sampleLength: 150, checkMinutes: 1.5 }, 0.05).map(
        (cost) => `testing ${pieces} | ${whole(cost)}`,
      ),
    ),
    ...['6:30', '6.30', '06:30', '24:00', '23:59', ' 7:05 ', '7', '7:5'].map(
      (typed) => `time '${typed}' | ${readTimeOfDay(typed)}`,
    ),
    ...['9:00-9:15', '9.00–9.15, 11:30-12:00;13:00-x', '', '9'].map(
      (typed) => `breaks '${typed}' | ${whole(readBreaks(typed))} ${tellBreaks(readBreaks(typed))}`,
    ),
    ...['Mon', 'Mon-Fri', 'mo tu', 'Sat, Sun', 'Fri-Mon', 'm', 'Monday-Wed;Sat', 'x', ''].map(
      (typed) => `days '${typed}' | ${readDays(typed)?.join(' ')} ${tellDays(readDays(typed) ?? [])}`,
    ),
  ];
};

const told: Told = new Map<string, Lines>([
  ['what cannot be meant of a floor', tellFaults],
  ...Object.entries(SHOPS).map(([name, changes]): [string, Lines] => [
    `a plan ${name}`,
    // What differs from the plainest one.
    () => (Object.keys(changes).length ? tellChange(tellShop({}), tellShop(changes)) : tellShop({})),
  ]),
  ['what ends inside a plan', tellEnds],
  ['what a plan takes from the stock', tellStock],
  ['how a plan went', tellWent],
  ['times that are learned and typed', tellTimes],
]);

holdTold({ in: 'floors', of: 'the floor of a shop' }, told, approved);
