import type { FloorKept, GivenHead, GivenPlan, JobsFile, PlanDay, PlanQueue, PlanWent } from '@tug-mark/contract';
import { asPlan, byDueDate, checkPlan, endOfPlan, modelOf, type PartStock, type Plan } from '@tug-mark/core';
import { randomUUID } from 'node:crypto';
import { readPlanDay } from '../src/plan/planDay';
import { verifyShop } from '../src/verify/verifyShop';
import { FRESH, openLot, problemOf, proveSetUp, reading, releaseSetUp, Shop, type Visitor } from './harness';

let shop: Shop;
let odile: Visitor;
let marek: Visitor;
/** A demo shop of its own for each part of the plan, with a technician and an engineer in it. */
async function openShop(): Promise<void> {
  shop = await Shop.open();
  [odile, marek] = await Promise.all([shop.signIn('Odile'), shop.signIn('Marek')]);
}

const planOf = (day: PlanDay): Plan => asPlan(byDueDate(modelOf(day.work)));
const give = (who: Visitor, day: PlanDay, plan: Plan, changes: object = {}) =>
  who.call('POST', '/api/plan/given', {
    ...{ base: day.given?.revision ?? null, start: day.start, placed: plan.placed, moved: [], score: plan.score },
    ...changes,
  });

const readDay = () => marek.get<PlanDay>('/api/plan/day?days=4');
/** The plan given out last; one is given out where none was yet. */
async function givenNow(): Promise<GivenPlan> {
  const day = await readDay();
  return day.given ?? (await give(marek, day, planOf(day))).json<GivenPlan>();
}

describe('The plan of the demo shop', () => {
  beforeAll(openShop);
  afterAll(() => shop.close());

  it('is made from what is on record: jobs of every list, who may make them, and what cannot be made with its reason', async () => {
    const day = await readDay();
    const { work, about, cannot } = day;
    expect([...new Set(about.map(({ list }) => list))].sort()).toEqual(['Chassis loom', 'Mast loom', 'Sensor bar']);
    const label = new Map(work.people.map((person) => [person.id, person.label]));
    // Tove's qualification has lapsed.
    expect([...new Set(work.jobs.flatMap(({ people }) => people.map((id) => label.get(id))))].sort()).toEqual(
      jasmine.arrayContaining(['Jonas', 'Odile']),
    );
    const crimps = work.jobs.filter(({ means }) => means[0]?.tool);
    expect(crimps.some(({ people }) => people.some((id) => label.get(id) === 'Tove'))).toBeFalse();
    expect(cannot.length).toBeGreaterThan(0);
    expect(cannot.every(({ text }) => text.length > 20)).toBeTrue();
    // The lot on hold, and the smallest contacts of which six are left.
    expect([...new Set(cannot.map(({ code }) => code))]).toEqual(jasmine.arrayContaining(['held', 'no-stock']));
    const plan = planOf(day);
    expect(checkPlan(work, plan)).toEqual([]);
    expect(endOfPlan(plan)).toBeGreaterThan(0);
    // Ruta is on a course on the day the demo is loaded on.
    const ruta = work.people.find((person) => person.label === 'Ruta');
    expect(Math.min(...(ruta?.shifts ?? []).map(({ from }) => from))).toBeGreaterThan(12 * 60);
  });

  it('counts what was made already, and asks no samples where a release holds', async () => {
    const { about, work } = await readDay();
    // L-0407: 180 of 400 forks are made.
    const forks = about.filter(({ terminal, list }) => terminal === 'FL-FK-0406' && list === 'Sensor bar');
    expect(forks.reduce((sum, { pieces }) => sum + pieces, 0)).toBe(220);
    expect(forks.every(({ samples }) => samples === 0)).toBeTrue();
    expect(
      work.jobs.filter(({ id }) => forks.some(({ job }) => job === id)).every(({ isProved }) => isProved),
    ).toBeTrue();
  });

  it('learns what pieces take from the lots on record', async () => {
    const { learned } = await readDay();
    const rings = learned.pieces.find(({ family, means }) => family === 'insulated-terminal' && means === 'hand');
    // Lots of 40, 22 and 20 s a piece.
    expect(rings?.isEnough).toBeTrue();
    expect(rings?.seconds).toBeGreaterThan(10);
    expect(rings?.seconds).toBeLessThan(45);
  });

  it('learns what set-ups and checks took, and shows how long releases waited without planning by it', async () => {
    const { learned } = await readDay();
    const rings = learned.steps.filter(({ family, means }) => family === 'insulated-terminal' && means === 'hand');
    const of = (step: string) => rings.find((one) => one.step === step);
    expect(of('set-up')?.minutes).toBeGreaterThan(1);
    expect(of('check')?.minutes).toBeGreaterThan(0);
    expect(of('release')?.isEnough).toBeFalse();
  });

  it('waits for what arrives tomorrow, and says so', async () => {
    const { notes, work } = await readDay();
    expect(notes.some(({ text }) => text.includes('FL-RS-0510, which arrives'))).toBeTrue();
    expect(work.jobs.some(({ from }) => from > 0)).toBeTrue();
  });

  it('is given out by an engineer, as a revision that says who and when; the next one has to know it', async () => {
    const day = await readDay();
    const plan = planOf(day);
    expect(problemOf(await give(odile, day, plan)).code).toBe('role-may-not');
    const answer = await give(marek, day, plan, { note: 'Thursday' });
    expect(answer.statusCode).withContext(answer.body).toBe(201);
    const given = answer.json<GivenPlan>();
    expect([given.by, given.note, given.base]).toEqual(['Marek', 'Thursday', day.given?.revision ?? null]);
    expect(given.placed.length).toBe(plan.placed.length);
    // Somebody who began before does not overwrite it.
    const stale = problemOf(await give(marek, day, plan));
    expect([stale.code, stale.title]).toEqual([
      'plan-given-out',
      `Marek gave out plan ${given.revision} since you began this one.`,
    ]);
    const again = await readDay();
    expect(again.given?.revision).toBe(given.revision);
    expect((await give(marek, again, planOf(again))).statusCode).toBe(201);
    const heads = await odile.get<GivenHead[]>('/api/plan/given');
    expect(heads.map(({ revision }) => revision).slice(0, 2)).toEqual([given.revision + 1, given.revision]);
    expect((await odile.get<GivenPlan>(`/api/plan/given/${given.revision}`)).note).toBe('Thursday');
    expect((await odile.call('GET', '/api/plan/given/999')).statusCode).toBe(404);
  });

  it('that cannot be done is not given out: each fault is named', async () => {
    const day = await readDay();
    const plan = planOf(day);
    const [first, ...rest] = plan.placed;
    if (!first) throw new Error('a job');
    const refused = problemOf(
      await give(marek, day, {
        ...plan,
        placed: [{ ...first, start: first.start - 600, runStart: first.runStart - 600 }, ...rest],
      }),
    );
    expect(refused.code).toBe('plan-problems');
    expect(refused.errors?.some(({ where }) => where === first.job)).toBeTrue();
    const unknown = problemOf(
      await give(marek, day, { ...plan, placed: [{ ...first, job: `${randomUUID()}/0` }, ...rest] }),
    );
    expect(unknown.code).toBe('plan-problems');
    expect(problemOf(await give(marek, day, { ...plan, placed: [] })).code).toBe('shape-wrong');
  });

  it('goes into calendars, of a bench, a person, or all', async () => {
    const given = await givenNow();
    const all = (await odile.call('GET', '/api/plan/calendar.ics')).body;
    expect(all.match(/BEGIN:VEVENT/g)?.length).toBe(given.placed.length);
    const bench = (await odile.call('GET', '/api/plan/calendar.ics?bench=B1')).body;
    expect(bench.match(/BEGIN:VEVENT/g)?.length ?? 0).toBe(given.placed.filter((one) => one.bench === 'B1').length);
    const ines = given.placed.find(({ release }) => release)?.release?.by ?? '';
    const releases = (await odile.call('GET', `/api/plan/calendar.ics?person=${ines}`)).body;
    expect(releases).toContain('SUMMARY:Release');
  });

  it('looks at so many combinations, those that are due first, and names the lists it does not reach', async () => {
    const day = await readPlanDay(shop.db, 3, new Date(), 5);
    // The first list has four, the second takes it past five, the third is due last.
    expect([...new Set(day.about.map(({ list }) => list))].sort()).toEqual(['Chassis loom', 'Mast loom']);
    expect(day.notes.at(-1)?.text).toContain('More than 5 combinations are to be made: Sensor bar, due last,');
  });

  it('leaves as CSV, a job a row', async () => {
    const { body } = await odile.call('GET', '/api/plan/jobs.csv');
    const { about } = await marek.get<PlanDay>('/api/plan/day?days=3');
    expect(body.trim().split('\r\n').length).toBe(about.length + 1);
  });

  it('stays proved: floor, stock and plans are in a chain of their own', async () => {
    await givenNow();
    const verdict = await verifyShop(shop.db);
    expect(JSON.stringify(verdict)).not.toContain('"broken"');
    const rows = (await shop.db('ledger').where({ chain: 'plan' }).select('subject')) as { subject: string }[];
    for (const kind of ['floor/', 'stock/', 'given/'])
      expect(rows.some(({ subject }) => subject.startsWith(kind)))
        .withContext(kind)
        .toBeTrue();
    await expectAsync(shop.db('given_plans').update({ note: 'other' })).toBeRejected();
  });
});

describe('What each bench does next', () => {
  beforeAll(openShop);
  afterAll(() => shop.close());
  const readQueue = (known = 0) => odile.get<PlanQueue>(`/api/plan/queue?known=${known}`);

  it('is counted from where the plan was given out; what is scrapped is to be made once more', async () => {
    const { id } = await odile.combination(...FRESH);
    const leftOf = ({ about }: PlanDay) =>
      about.filter(({ combination }) => combination === id).reduce((sum, one) => sum + one.pieces, 0);
    const pieces = leftOf(await readDay());
    expect(pieces).toBeGreaterThan(22);
    await proveSetUp(odile, id);
    await releaseSetUp(await shop.signIn('Ines'), id);
    await openLot(odile, id, { pieces });
    const look = (piece: number) =>
      odile.kept(id, { kind: 'finding', lot: 1, piece, criterion: 'as-drawn', finding: 'accept', note: '' });
    const made = (count: number, step: number) =>
      odile.kept(id, { kind: 'progress', lot: 1, step, what: 'made', made: count, note: '' });
    await look(1);
    await odile.kept(id, reading(1, 140, { lot: 1 }));
    await made(8, 1);
    const now = await readDay();
    const given = (await give(marek, now, planOf(now))).json<GivenPlan>();
    expect(given.made[id]).toBe(8);
    // What is being made is neither proved again nor asked to be.
    expect(given.placed.filter(({ job }) => given.jobs[job]?.combination === id).map(({ release }) => release)).toEqual(
      [null],
    );
    expect((await readQueue()).made).toEqual([]);
    const { id: counted } = await made(22, 2);
    expect((await readQueue()).made).toEqual([{ combination: id, made: 14 }]);
    // Counted wrong, and said so: what was corrected counts no more.
    const right = { kind: 'progress', lot: 1, step: 2, what: 'made', made: 20, note: '' } as const;
    await odile.kept(id, right, { corrects: counted, why: 'two of them were of another lot' });
    expect((await readQueue()).made).toEqual([{ combination: id, made: 12 }]);
    // A piece that fails holds back what was made since the good one; quality has it thrown away.
    await look(20);
    await odile.kept(id, reading(20, 90, { lot: 1 }));
    const held = (await readDay()).cannot.find(({ combination }) => combination === id);
    expect(held?.code).toBe('held');
    await odile.kept(id, {
      ...{
        kind: 'disposition',
        lot: 1,
        step: 1,
        from: 2,
        to: 20,
        what: 'scrap',
        cause: 'below-limit',
        note: 'cut off',
      },
    });
    const day = await readDay();
    // Of 20 made, 18 are thrown away besides the two that were pulled.
    expect(leftOf(day)).toBe(pieces - 20 + 18);
    expect(day.happened.find(({ combination }) => combination === id)).toEqual(
      jasmine.objectContaining({ what: 'lot', made: 20, by: 'Odile', endedAt: null }),
    );
  });

  it('is set beside what was planned, for as long as that plan counted', async () => {
    const { id } = await odile.combination('FL-FK-0406', 'FL-W-0100', 'Sensor bar');
    const before = await readDay();
    const { revision } = (await give(marek, before, planOf(before))).json<GivenPlan>();
    const read = () => odile.get<PlanWent>(`/api/plan/given/${revision}/went`);
    const rowOf = ({ gone }: PlanWent) => gone.find(({ combination }) => combination === id);
    expect(rowOf(await read())).toBeUndefined();
    // L-0407: 180 of 400 are made, in eight steps.
    const kept = (step: number, made: number) =>
      odile.kept(id, { kind: 'progress', lot: 1, step, what: 'made', made, note: '' });
    await kept(9, 190);
    const going = await read();
    expect([going.isOver, rowOf(going)?.made, rowOf(going)?.setUps]).toEqual([false, 10, 0]);
    expect(rowOf(going)?.begun).toBeGreaterThanOrEqual(0);
    // Another plan counts from now on: what is made then is not of this one.
    const now = await readDay();
    await give(marek, now, planOf(now));
    await kept(10, 195);
    const over = await read();
    expect([over.isOver, rowOf(over)?.made]).toEqual([true, 10]);
    expect((await odile.call('GET', '/api/plan/given/9999/went')).statusCode).toBe(404);
  });

  it('is sent with its plan only to who has another one', async () => {
    const { revision } = await givenNow();
    const [known, other] = [await readQueue(revision), await readQueue(revision + 1)];
    expect([known.revision, known.given]).toEqual([revision, null]);
    expect(other.given?.revision).toBe(revision);
  });
});

describe('The floor of a shop', () => {
  beforeAll(openShop);
  afterAll(() => shop.close());

  it('is changed by an engineer as it was opened, and refused where it cannot be meant', async () => {
    const { revision, floor } = await odile.get<FloorKept>('/api/plan/floor');
    expect(revision).toBeGreaterThan(0);
    const body = { revision, floor: { ...floor, dueBy: '14:00' } };
    expect(problemOf(await odile.call('PUT', '/api/plan/floor', body)).code).toBe('role-may-not');
    expect((await marek.call('PUT', '/api/plan/floor', body)).json<FloorKept>().revision).toBe(revision + 1);
    // The same again is no change.
    expect((await marek.call('PUT', '/api/plan/floor', body)).json<FloorKept>().revision).toBe(revision + 1);
    const stale = problemOf(await marek.call('PUT', '/api/plan/floor', { revision, floor }));
    expect([stale.code, stale.standing]).toEqual(['stale-revision', { revision: revision + 1 }]);
    const [first] = floor.hours;
    if (!first) throw new Error('hours');
    const over = { ...floor, hours: [...floor.hours, { ...first, from: '13:00', to: '18:00', breaks: [] }] };
    const refused = problemOf(await marek.call('PUT', '/api/plan/floor', { revision: revision + 1, floor: over }));
    expect(refused.code).toBe('floor-problems');
    expect(refused.errors?.[0]?.text).toContain('has two shifts over each other on Monday');
  });

  it('learns from what was made outside of its hours too: who counts pieces is there', async () => {
    const before = await readDay();
    const { revision, floor } = await odile.get<FloorKept>('/api/plan/floor');
    // An hour, half a day away from now.
    const hour = (ahead: number) => `${String((new Date().getHours() + ahead) % 24).padStart(2, '0')}:00`;
    const hours = floor.hours.map((own) => ({ ...own, from: hour(11), to: hour(12), breaks: [] }));
    const body = { revision, floor: { ...floor, hours } };
    expect((await marek.call('PUT', '/api/plan/floor', body)).statusCode).toBe(200);
    const after = await readDay();
    expect(after.learned.pieces.length).toBe(before.learned.pieces.length);
    expect(after.learned.pieces.every(({ isEnough }, i) => isEnough === before.learned.pieces[i]?.isEnough)).toBeTrue();
    await marek.call('PUT', '/api/plan/floor', { revision: revision + 1, floor });
  });

  it('has its hours as CSV both ways', async () => {
    const { body } = await odile.call('GET', '/api/plan/hours.csv');
    expect(body).toContain('Odile,Mon Tue Wed Thu Fri Sat Sun,06:00,14:30,09:00-09:15 11:30-12:00');
    const send = (text: string) => marek.call('POST', '/api/plan/hours', text, { 'content-type': 'text/csv' });
    const kept = await send('name;days;from;to;breaks\nOdile;Mon-Fri;6:30;15.00;09:00-09:15\nJonas;Sat;08:00;12:00;\n');
    expect(kept.statusCode).withContext(kept.body).toBe(200);
    expect(kept.json<FloorKept>().floor.hours.map(({ days, from, to }) => [days, from, to])).toEqual([
      [[1, 2, 3, 4, 5], '06:30', '15:00'],
      [[6], '08:00', '12:00'],
    ]);
    const refused = problemOf(await send('name,days,from,to\nNobody,Mon,06:00,14:00\nOdile,Someday,6,14:00\n'));
    expect(refused.errors?.map(({ row, where }) => [row, where])).toEqual([
      [2, 'name'],
      [3, 'days'],
      [3, 'from'],
    ]);
    // What was read before still stands.
    expect((await odile.get<FloorKept>('/api/plan/floor')).floor.hours.length).toBe(2);
  });

  it('has its jobs as JSON both ways: lists it has not are made, of those it has the day is taken over, all or none', async () => {
    const file = await odile.get<JobsFile>('/api/plan/jobs');
    expect(file.lists.map(({ name }) => name)).toEqual(['Chassis loom', 'Mast loom', 'Sensor bar']);
    const send = (lists: unknown[]) => odile.call('POST', '/api/plan/jobs', { ...file, lists });
    // The same again changes nothing.
    expect((await send(file.lists)).json()).toEqual({ lists: 3, made: 0 });
    // As lists of another name they become the same combinations.
    const others = file.lists.map((list) => ({ ...list, id: randomUUID(), name: `${list.name} 2`, due: '2031-02-01' }));
    const made = await send([...others, { ...file.lists[0], due: '2031-01-15', priority: 9 }]);
    expect(made.statusCode).withContext(made.body).toBe(200);
    expect(made.json()).toEqual({ lists: 4, made: 3 });
    const again = await odile.get<JobsFile>('/api/plan/jobs');
    for (const { name, wires, cut } of file.lists) {
      const other = again.lists.find((list) => list.name === `${name} 2`);
      expect(other)
        .withContext(name)
        .toEqual(jasmine.objectContaining({ wires, cut, due: '2031-02-01' }));
    }
    expect(again.lists[0]).toEqual(jasmine.objectContaining({ name: 'Chassis loom', due: '2031-01-15', priority: 9 }));
    const combinations = async (list: string) =>
      (await shop
        .db('combinations')
        .where({ list })
        .orderBy('number')
        .select('terminal', 'wire', 'pieces')) as object[];
    expect(await combinations('Mast loom 2')).toEqual(await combinations('Mast loom'));
    // One that cannot be read: nothing of the file is taken, and its problem says in which list it is.
    const [first] = file.lists;
    const wires = [{ ...first?.wires[0], wirePart: 'NOPE' }];
    const fresh = { ...first, id: randomUUID(), name: 'Fresh' };
    const refused = problemOf(await send([fresh, { ...first, id: randomUUID(), name: 'Wrong', wires }]));
    expect(refused.errors?.map(({ row, where }) => [row, where])).toEqual([[2, 'Wrong: wire part']]);
    expect((await odile.get<JobsFile>('/api/plan/jobs')).lists.map(({ name }) => name)).not.toContain('Fresh');
    expect(problemOf(await send([{ ...first, wires: first?.wires.slice(1) }])).code).toBe('name-taken');
    expect(problemOf(await send([{ ...first, wires: [] }])).code).toBe('shape-wrong');
  });

  it('lists say when they are due and what that weighs, one by one or by CSV', async () => {
    const send = (text: string) => odile.call('POST', '/api/plan/dues', text, { 'content-type': 'text/csv' });
    expect((await send('list,due,priority\nMast loom,2031-01-31,5\nSensor bar,,\n')).json()).toEqual({ lists: 2 });
    const { lists } = await odile.get<{
      lists: { name: string; due: string | null; priority: number; cut: boolean }[];
    }>('/api/bench');
    expect(lists.find(({ name }) => name === 'Mast loom')).toEqual(
      jasmine.objectContaining({ due: '2031-01-31', priority: 5 }),
    );
    expect(lists.find(({ name }) => name === 'Sensor bar')).toEqual(
      jasmine.objectContaining({ due: null, priority: 1, cut: true }),
    );
    const refused = problemOf(await send('list,due,priority\nMast loom,31.1.2031,5\nOther loom,,12\n'));
    expect(refused.errors?.map(({ row, where }) => [row, where])).toEqual([
      [2, 'due'],
      [3, 'list'],
      [3, 'priority'],
    ]);
  });
});

describe('Stock', () => {
  beforeAll(openShop);
  afterAll(() => shop.close());
  const move = (changes: object) => ({
    id: randomUUID(),
    kind: 'terminal',
    part: 'FL-LG-1608',
    what: 'counted',
    amount: 12,
    ...changes,
  });
  const send = (...moves: object[]) => odile.call('POST', '/api/plan/stock', moves);
  const amount = (parts: readonly PartStock[], part: string) => parts.find((one) => one.part === part)?.amount;

  it('is counted, drawn, received and expected by whoever is at the bench', async () => {
    const expected = move({ what: 'expected', amount: 40, arrives: '2031-01-31T10:00' });
    await send(move({}), expected);
    const answer = await send(
      move({ what: 'drawn', amount: 5 }),
      move({ what: 'received', amount: 38, settles: expected.id }),
    );
    expect(answer.statusCode).withContext(answer.body).toBe(201);
    const { parts, moves } = answer.json<{ parts: PartStock[]; moves: { by: string }[] }>();
    expect(amount(parts, 'FL-LG-1608')).toBe(45);
    expect(parts.find(({ part }) => part === 'FL-LG-1608')?.expected).toEqual([]);
    expect(moves[0]?.by).toBe('Odile');
  });

  it('refuses what cannot be: an unknown part, less than nothing, a delivery nobody expected; all or none', async () => {
    const refused = problemOf(
      await send(move({ amount: 99 }), move({ part: 'NOPE' }), move({ what: 'received', settles: randomUUID() })),
    );
    expect(refused.code).toBe('stock-unknown');
    expect(refused.errors?.map(({ row, where }) => [row, where])).toEqual([
      [2, 'part'],
      [3, 'settles'],
    ]);
    expect(problemOf(await send(move({ amount: -1 }))).code).toBe('shape-wrong');
    expect(problemOf(await send(move({ what: 'expected' }))).code).toBe('shape-wrong');
    const { parts } = await odile.get<{ parts: PartStock[] }>('/api/plan/stock');
    expect(amount(parts, 'FL-LG-1608')).not.toBe(99);
  });

  it('the same again changes nothing, and another under its id is refused', async () => {
    const once = move({ part: 'FL-LG-5010', amount: 7 });
    await send(once);
    await send(once);
    const { parts } = await odile.get<{ parts: PartStock[] }>('/api/plan/stock');
    expect(amount(parts, 'FL-LG-5010')).toBe(7);
    expect(problemOf(await send({ ...once, amount: 8 })).code).toBe('id-taken');
  });

  it('goes out as CSV and comes back as a count, wire in metres', async () => {
    const { body } = await odile.call('GET', '/api/plan/stock.csv');
    expect(body).toContain('wire,FL-W-0075,reel 2231,28,m,');
    const count =
      'kind,part,reel,amount,unit\nwire,FL-W-0075,reel 2231,"12,5",m\nwire,FL-W-0075,rest 12,10,ft\nterminal,FL-RT-0406,,77,\n';
    const answer = await odile.call('POST', '/api/plan/stock/counts', count, { 'content-type': 'text/csv' });
    expect(answer.statusCode).withContext(answer.body).toBe(201);
    const { parts } = answer.json<{ parts: PartStock[] }>();
    // 12.5 m, 10 ft and the rest nobody counted.
    expect(amount(parts, 'FL-W-0075')).toBeCloseTo(12_500 + 3048 + 1180, 6);
    expect(amount(parts, 'FL-RT-0406')).toBe(77);
    const refused = problemOf(
      await odile.call('POST', '/api/plan/stock/counts', 'kind,part,amount\nwood,X,1\nwire,FL-W-0075,some\n', {
        'content-type': 'text/csv',
      }),
    );
    expect(refused.errors?.map(({ row, where }) => [row, where])).toEqual([
      [2, 'kind'],
      [3, 'amount'],
    ]);
  });
});

describe('The plan of an empty shop', () => {
  it('is empty, and says so without a fault', async () => {
    const empty = await Shop.open('empty');
    const ada = await empty.firstEngineer();
    const day = await ada.get<PlanDay>('/api/plan/day');
    expect([day.work.jobs, day.cannot, day.given, day.floor.revision]).toEqual([[], [], null, 0]);
    const queue = await ada.get<PlanQueue>('/api/plan/queue');
    expect([queue.revision, queue.given, queue.made]).toEqual([0, null, []]);
    await empty.close();
  });
});
