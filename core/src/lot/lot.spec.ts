import fc from 'fast-check';
import { random } from '../statistics';
import type { Criterion } from '../look';
import { practice as houseRules } from '../testing/shop';
import type { Judgement, SetUp } from '../combination';
import { judgeGroup } from '../tug';
import { pieceChecks } from './readLot';
import type { Entry, EntryBody } from '../entry';
import {
  benchStep,
  bracketPlan,
  checksDue,
  containment,
  lotTask,
  planRisk,
  plannedPulls,
  type LotHead,
  type Disposed,
  type LotStep,
  type LotVerdict,
  type PieceCheck,
} from './index';

const plan = { everyPieces: 50, everyHours: null, afterChange: ['wire-reel' as const], bothSides: true };
const stands = {
  tool: 'HT',
  die: 'A',
  nest: '1',
  setting: null,
  positioner: null,
  limit: { document: 'FL-SPEC-07', revision: 'C', class: '2' },
  revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
};
const headOf = (changes: Partial<LotHead> = {}): LotHead => ({
  lot: 1,
  name: 'L-0412',
  pieces: 400,
  plan,
  stands,
  openedAt: '2026-11-25T08:00:00.000Z',
  openedBy: 'Odile',
  state: 'running',
  finishedAt: null,
  made: 0,
  steps: [],
  tools: [{ after: 0, stands }],
  awaitsSetUp: null,
  ...changes,
});
const step = (changes: Partial<LotStep>): LotStep => ({
  step: 1,
  at: '2026-11-25T09:00:00.000Z',
  by: 'Odile',
  what: 'made',
  made: 0,
  change: null,
  to: null,
  ...changes,
});
const check = (piece: number, outcome: PieceCheck['outcome'], at = '2026-11-25T09:00:00.000Z'): PieceCheck => ({
  piece,
  at,
  by: 'Odile',
  look: 'accepted',
  isSeen: true,
  tug: outcome === 'good' ? 'holds' : outcome === 'bad' ? 'below' : 'invalid',
  force: outcome === 'good' ? 118 : 70,
  outcome,
  text: `Piece ${piece}.`,
});
const NOW = '2026-11-25T10:00:00.000Z';
const due = (head: LotHead, checks: PieceCheck[] = []) =>
  checksDue(head, checks, NOW).map((d) => `${d.code} ${d.piece}${d.overdue ? ' overdue' : ''}`);

describe('Checks of a lot', () => {
  it('begin with the first piece, then the next fifty, and end with the last', () => {
    expect(due(headOf())).toEqual(['first 1', 'every 50', 'last 400']);
    expect(due(headOf({ made: 30 }), [check(1, 'good')])).toEqual(['every 51', 'last 400']);
    expect(
      due(
        headOf({ made: 400 }),
        [...range(1, 400, 50), 400].map((p) => check(p, 'good')),
      ),
    ).toEqual([]);
  });

  it('that were skipped are overdue and stay due', () => {
    const head = headOf({ made: 160 });
    expect(due(head, [check(1, 'good')])[0]).toBe('every 51 overdue');
    expect(due(head, [check(1, 'good'), check(160, 'good')])).toContain('every 51 overdue');
    expect(due(headOf({ made: 20 }))[0]).toBe('first 1 overdue');
  });

  it('fall on both sides of a new reel, and only after a repair', () => {
    const reel = headOf({ made: 40, steps: [step({ what: 'change', change: 'wire-reel', made: 20 })] });
    expect(due(reel, [check(1, 'good')]).slice(0, 2)).toEqual(['before-change 20 overdue', 'after-change 21 overdue']);
    const one = headOf({ ...reel, plan: { ...plan, bothSides: false } });
    expect(due(one, [check(1, 'good')])[0]).toBe('after-change 21 overdue');
    const other = headOf({ ...reel, steps: [step({ what: 'change', change: 'terminal-reel', made: 20 })] });
    expect(due(other, [check(1, 'good')])[0]).toBe('every 51');
  });

  it('by hours count hours of work: a pause stops the clock', () => {
    const hours = { ...plan, everyPieces: null, everyHours: 1.5 };
    const first = check(1, 'good', '2026-11-25T08:00:00.000Z');
    const running = headOf({ plan: hours, made: 30 });
    expect(due(running, [first])).toEqual(['hours 30 overdue', 'last 400']);
    const paused = headOf({
      ...running,
      steps: [
        step({ what: 'pause', at: '2026-11-25T08:30:00.000Z', made: 10 }),
        step({ step: 2, what: 'resume', at: '2026-11-25T09:30:00.000Z', made: 10 }),
      ],
    });
    const [next] = checksDue(paused, [first], NOW);
    expect(next?.code).toBe('hours');
    expect(next?.inMinutes).toBe(30);
  });

  it('whose pull was no test move to the next piece', () => {
    expect(due(headOf({ made: 3 }), [check(1, 'void')])[0]).toBe('first 2 overdue');
    expect(
      due(
        headOf({ made: 400 }),
        [...range(1, 399, 50), 400].map((p) => check(p, p === 400 ? 'void' : 'good')),
      ),
    ).toEqual(['last 399']);
  });

  it('that failed come first, until it is said what was put right', () => {
    const head = headOf({ made: 51 });
    expect(due(head, [check(1, 'good'), check(51, 'bad')])[0]).toBe('contain 51 overdue');
    const repaired = headOf({ made: 51, steps: [step({ what: 'change', change: 'repair', made: 51 })] });
    expect(due(repaired, [check(1, 'good'), check(51, 'bad')])[0]).toBe('after-change 52');
    // A reel changed before anybody knew of the failure did not put it right.
    expect(due(repaired, [check(1, 'good'), check(51, 'bad', '2026-11-25T09:30:00.000Z')])[0]).toBe(
      'contain 51 overdue',
    );
  });
});

describe('A check plan', () => {
  it('says how many pieces it pulls', () => {
    // 1, 51, 101, ... 351, 400
    expect(plannedPulls(400, plan)).toBe(9);
    expect(plannedPulls(400, { everyPieces: null })).toBe(2);
    expect(plannedPulls(1, plan)).toBe(1);
    // From the dues themselves: making pieces one by one and checking what is due.
    for (const pieces of [1, 2, 50, 51, 52, 101, 400]) {
      const checks: PieceCheck[] = [];
      for (let made = 1; made <= pieces; made++) {
        for (const d of checksDue(headOf({ pieces, made }), checks, NOW))
          if (d.inPieces <= 0) checks.push(check(d.piece, 'good'));
      }
      expect(checks.length).withContext(String(pieces)).toBe(plannedPulls(pieces, plan));
    }
  });

  it('shows its risk: 3 from 400 pass a lot with 2 % bad 94 times in 100', () => {
    const risk = planRisk(400, 3, 0.02, 0.1);
    expect(risk.text).toBe(
      '3 from 400: a lot with 8 bad pieces in it (2 %) passes 94 times in 100. For 10 in 100 it takes 100.',
    );
  });
});

describe('Containment', () => {
  const told = (head: LotHead, checks: PieceCheck[], ...rest: [] | [Parameters<typeof containment>[2]]) =>
    containment(head, checks, rest[0] ?? []).spans.map((s) => `${s.from}-${s.to} ${s.state}`);

  it('clears between good checks and waits after the last', () => {
    expect(told(headOf({ made: 80 }), [check(1, 'good'), check(51, 'good')])).toEqual([
      '1-1 clear',
      '2-51 clear',
      '52-80 open',
      '81-400 not-made',
    ]);
  });

  it('suspects everything from the last good check on, until it was put right', () => {
    const checks = [check(1, 'good'), check(51, 'good'), check(101, 'bad')];
    expect(told(headOf({ made: 110 }), checks)).toEqual([
      '1-1 clear',
      '2-51 clear',
      '52-101 suspect',
      '102-110 suspect',
      '111-400 not-made',
    ]);
    const repaired = headOf({ made: 150, steps: [step({ what: 'change', change: 'repair', made: 110 })] });
    expect(told(repaired, [...checks, check(111, 'good'), check(150, 'good')]).slice(2, 6)).toEqual([
      '52-101 suspect',
      '102-110 suspect',
      '111-111 clear',
      '112-150 clear',
    ]);
    expect(containment(repaired, checks, []).bracket?.next).toBe(76);
  });

  it('lets a disposition decide, and asks no more about those pieces', () => {
    const checks = [check(1, 'good'), check(51, 'bad')];
    const scrapped = [{ from: 2, to: 60, what: 'scrap' as const, by: 'Ines', at: NOW, note: 'cut up' }];
    const result = containment(headOf({ made: 60 }), checks, scrapped);
    expect(result.spans.map((s) => `${s.from}-${s.to} ${s.state}`).slice(0, 2)).toEqual(['1-1 clear', '2-60 scrapped']);
    expect(result.bracket).toBeNull();
  });

  it('says when the fault comes and goes, and clears nothing by single pulls then', () => {
    const checks = [check(1, 'good'), check(51, 'bad'), check(70, 'good'), check(101, 'bad')];
    const result = containment(headOf({ made: 101 }), checks, []);
    expect(result.bracket).toBeNull();
    expect(result.noBracket).toContain('comes and goes');
    expect(result.spans.map((s) => `${s.from}-${s.to} ${s.state}`)[1]).toBe('2-101 suspect');
  });

  it('holds back what a tool made between its good check and the one it failed, whatever was pulled', () => {
    const checks = [1, 51, 101].map((p) => check(p, 'good'));
    const suspicion = [{ tool: 'HT', at: NOW, after: 30, upTo: 90 }];
    const spans = containment(headOf({ made: 101 }), checks, [], suspicion).spans.map(
      (s) => `${s.from}-${s.to} ${s.state}`,
    );
    expect(spans).toEqual(['1-1 clear', '2-30 clear', '31-90 suspect', '91-101 clear', '102-400 not-made']);
  });

  it('suspects again what was cleared before its failure was known; what was scrapped stays scrapped', () => {
    const letGo = { from: 1, to: 101, what: 'use-as-is' as const, by: 'Ines', note: 'sectioned two' };
    const suspicion = [{ tool: 'HT', at: NOW, after: 30, upTo: 90 }];
    const stateAt = (at: string, what: 'use-as-is' | 'scrap' = 'use-as-is') =>
      containment(headOf({ made: 101 }), [], [{ ...letGo, at, what }], suspicion).spans.find(
        (s) => s.from <= 40 && s.to >= 40,
      )?.state;
    expect(stateAt('2026-11-25T09:00:00.000Z')).toBe('suspect');
    expect(stateAt('2026-11-25T11:00:00.000Z')).toBe('used-as-is');
    expect(stateAt('2026-11-25T09:00:00.000Z', 'scrap')).toBe('scrapped');
    // The same for a pull that fails later than the decision: the bracket is asked for again.
    const failed = [check(1, 'good'), check(51, 'bad', NOW)];
    const before = [{ ...letGo, at: '2026-11-25T09:00:00.000Z' }];
    expect(containment(headOf({ made: 101 }), failed, before).bracket?.next).toBe(26);
    expect(
      containment(headOf({ made: 101 }), failed, [{ ...letGo, at: '2026-11-25T11:00:00.000Z' }]).bracket,
    ).toBeNull();
  });

  it('covers every piece once, in order, whatever was found', () => {
    const outcome = fc.constantFrom('good' as const, 'bad' as const, 'void' as const, 'open' as const);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 60 }), outcome)),
        fc.integer({ min: 0, max: 60 }),
        (found, cut) => {
          const checks = [...new Map(found).entries()].sort(([a], [b]) => a - b).map(([p, o]) => check(p, o));
          const steps = cut ? [step({ what: 'change', change: 'repair', made: cut })] : [];
          const { spans } = containment(headOf({ pieces: 60, made: 60, steps }), checks, []);
          let next = 1;
          for (const span of spans) {
            expect(span.from).toBe(next);
            next = span.to + 1;
          }
          expect(next).toBe(61);
          const stateOf = (piece: number) => spans.find((s) => s.from <= piece && s.to >= piece)?.state;
          for (const bad of checks.filter((c) => c.outcome === 'bad')) expect(stateOf(bad.piece)).toBe('suspect');
        },
      ),
    );
  });
});

describe('The task of a lot', () => {
  const verdict = (head: LotHead, checks: PieceCheck[], disposed: Disposed[] = []): LotVerdict => {
    const contained = containment(head, checks, disposed);
    const due = checksDue(head, checks, NOW);
    const group = judgeGroup([], 108, houseRules, 1);
    const counts = { spent: checks.length, scrapped: 0, suspect: 0, left: head.made - checks.length };
    const unfinished = contained.spans.filter((s) => s.state === 'suspect').map((s) => s.text);
    return {
      ...contained,
      ...{ head, checks, due, disposed, group, counts, unfinished, reasons: [] },
      verdict: 'running',
      headline: '',
    };
  };
  const open = (piece: number, changes: Partial<PieceCheck>): PieceCheck => ({
    ...check(piece, 'good'),
    ...{ outcome: 'open' as const, look: 'open' as const, isSeen: false, tug: 'open' as const, force: null },
    ...changes,
  });
  const told = (lot: LotVerdict, named: number | null = null) => {
    const { code, piece, step, upTo } = lotTask(lot, named);
    return [code, piece, step, upTo];
  };

  it('is to make up to the next check, then to look, to measure what is asked, and only then to pull', () => {
    expect(told(verdict(headOf({ made: 30 }), [check(1, 'good')]))).toEqual(['make', null, null, 51]);
    const due = headOf({ made: 51 });
    expect(told(verdict(due, [check(1, 'good')]))).toEqual(['check', 51, 'look', null]);
    const seen = open(51, { isSeen: true });
    expect(told(verdict(due, [check(1, 'good'), seen]))).toEqual(['check', 51, 'measure', null]);
    const whole = open(51, { isSeen: true, look: 'accepted' });
    expect(told(verdict(due, [check(1, 'good'), whole]))).toEqual(['check', 51, 'tug', null]);
  });

  it('goes by a piece a person names before anything that is due', () => {
    expect(told(verdict(headOf({ made: 51 }), [check(1, 'good')]), 20)).toEqual(['check', 20, 'look', null]);
  });

  it('is, after a failure, the piece that halves where it began; and to stop where no pull can tell more', () => {
    const head = headOf({ made: 51 });
    const lot = verdict(head, [check(1, 'good'), check(51, 'bad')]);
    expect(told(lot)).toEqual(['bracket', 26, 'look', null]);
    expect(lotTask(lot).alarm?.why).toBe('Pieces 2 to 51 are held back: good at piece 1, failed at piece 51.');
    const known = verdict(head, [check(1, 'good'), check(50, 'good'), check(51, 'bad')]);
    expect(told(known)).toEqual(['stop', null, null, null]);
  });

  it('is told in a list by the piece to pull, not by the one that failed, and else by what holds the lot', () => {
    const step = (lot: LotVerdict) => {
      const judgement = { release: { state: 'released' }, verdict: 'accepted' } as Judgement;
      return benchStep({} as SetUp, judgement, [], lot).text;
    };
    const held = (checks: PieceCheck[]) => ({
      ...verdict(headOf({ made: 51 }), checks),
      verdict: 'held' as const,
    });
    expect(step(held([check(1, 'good'), check(51, 'bad')]))).toBe('Pull piece 26');
    expect(step(held([check(1, 'good'), check(50, 'good'), check(51, 'bad')]))).toBe('Say what was put right');
    expect(step({ ...verdict(headOf({ made: 30 }), [check(1, 'good')]), verdict: 'held' })).toBe(
      'Decide about the held pieces',
    );
    expect(step(verdict(headOf({ made: 30 }), [check(1, 'good')]))).toBe('Make up to piece 51');
    expect(step(verdict(headOf({ made: 51, state: 'paused' }), [check(1, 'good')]))).toBe('Resume the lot');
    expect(step(verdict(headOf({ made: 51 }), [check(1, 'good')]))).toBe('Check piece 51');
  });

  it('is to finish when all is made and checked, and else what is open', () => {
    const checks = [...range(1, 400, 50), 400].map((p) => check(p, 'good'));
    expect(told(verdict(headOf({ made: 400 }), checks))).toEqual(['finish', null, null, null]);
    const repaired = step({ what: 'change', change: 'repair', made: 400, at: '2026-11-25T09:30:00.000Z' });
    const failed = [...checks.slice(0, -1), check(399, 'good'), check(400, 'bad')];
    const held = verdict(headOf({ made: 400, steps: [repaired] }), failed);
    expect(told(held)).toEqual(['decide', null, null, null]);
  });

  it('of a paused lot is to resume it', () => {
    expect(told(verdict(headOf({ made: 51, state: 'paused' }), [check(1, 'good')]))).toEqual([
      'resume',
      null,
      null,
      null,
    ]);
  });
});

describe('The bracketing plan', () => {
  it('halves what is left: 16 places need 4 pulls', () => {
    const plan16 = bracketPlan(200, 216, () => true);
    expect(plan16.next).toBe(208);
    expect(plan16.worst).toBe(4);
    expect(plan16.ifHolds).toEqual({ clears: [201, 208], leaves: [209, 216] });
    expect(plan16.ifFails).toEqual({ condemns: [208, 216], leaves: [201, 208] });
  });

  it('passes over pieces that are gone, and says when nothing is left to pull', () => {
    expect(bracketPlan(200, 216, (p) => p > 212).next).toBe(214);
    expect(bracketPlan(200, 201, () => true).next).toBeNull();
    expect(bracketPlan(200, 216, () => false).text).toContain('Pieces 201 to 216');
  });

  it('destroys no more than ceil(log2(span)) pieces wherever one change occurred, and finds it', () => {
    const next = random(41);
    for (let round = 0; round < 500; round++) {
      const made = 20 + Math.floor(next() * 400);
      const bad = 2 + Math.floor(next() * (made - 2));
      const good = Math.floor(next() * bad);
      const began = good + 1 + Math.floor(next() * (bad - good));
      const head = headOf({ pieces: made, made });
      const checks = [...(good ? [check(good, 'good')] : []), check(bad, 'bad')];
      let pulled = 0;
      let plan = containment(head, checks, []).bracket;
      while (plan?.next != null) {
        pulled += 1;
        checks.push(check(plan.next, plan.next < began ? 'good' : 'bad'));
        checks.sort((a, b) => a.piece - b.piece);
        plan = containment(head, checks, []).bracket;
      }
      expect(pulled).toBeLessThanOrEqual(Math.ceil(Math.log2(bad - good)));
      const suspect = containment(head, checks, []).spans.find((s) => s.state === 'suspect');
      expect(suspect?.from).toBe(began);
    }
  });

  it('says that its assumption fails when the fault comes and goes, wherever that was', () => {
    const next = random(43);
    let noticed = 0;
    for (let round = 0; round < 200; round++) {
      // Bad from `a` to `b`, good again after: the check at 200 is bad because it went wrong a second time at `c`.
      const a = 20 + Math.floor(next() * 60);
      const b = a + 5 + Math.floor(next() * 60);
      const c = b + 10 + Math.floor(next() * 40);
      const isBad = (p: number) => (p >= a && p < b) || p >= c;
      const head = headOf({ pieces: 200, made: 200 });
      const checks = [check(1, 'good'), check(Math.floor((a + b) / 2), 'bad'), check(b + 1, 'good'), check(200, 'bad')];
      const result = containment(
        head,
        checks.filter((k) => k.outcome === (isBad(k.piece) ? 'bad' : 'good')),
        [],
      );
      if (result.noBracket?.includes('comes and goes')) noticed += 1;
    }
    expect(noticed).toBe(200);
  });
});

function range(from: number, to: number, by: number): number[] {
  return Array.from({ length: Math.ceil((to - from) / by) }, (_, i) => from + i * by);
}

describe('A check of a piece with numbers', () => {
  const height = (measured: 'first' | 'each'): Criterion => ({
    code: 'height',
    end: 1,
    key: 'height',
    title: 'Crimp height',
    view: 'from the side',
    accept: '',
    findings: ['accept', 'reject'],
    number: {
      what: 'crimp height',
      unit: 'mm',
      range: { min: 1.45, max: 1.55 },
      measured,
      outside: 'reject',
      mends: null,
    },
  });
  const entry = (body: EntryBody, i: number): Entry => ({
    id: String(i),
    at: '2026-11-25T08:00:00.000Z',
    by: 'Odile',
    body,
    corrects: null,
    why: null,
    limit: null,
  });
  const looked: EntryBody = { kind: 'finding', lot: 1, piece: 5, criterion: 'as-drawn', finding: 'accept', note: '' };
  const of = (value: number): EntryBody => ({
    kind: 'measure',
    lot: 1,
    piece: 5,
    what: 'height',
    value,
    typed: String(value),
    unit: 'mm',
    note: '',
  });
  const look = (measured: 'first' | 'each', ...bodies: EntryBody[]) =>
    pieceChecks(bodies.map(entry), 1, [], [height(measured)], [])[0];

  it('is bad when a number lies outside its range, whatever the eye said, and says which', () => {
    expect(look('first', looked, of(1.5))?.look).toBe('accepted');
    const bad = look('first', looked, of(1.58));
    expect(bad?.look).toBe('rejected');
    expect(bad?.text).toBe('Piece 5 is rejected: crimp height 1.58 mm.');
  });

  it('stays open while a number asked of each piece is missing', () => {
    expect(look('each', looked)?.look).toBe('open');
    expect(look('each', looked, of(1.5))?.look).toBe('accepted');
    expect(look('first', looked)?.look).toBe('accepted');
  });
});
