import {
  asDrawn,
  criteria,
  FAULTS,
  faultsOf,
  isCaliperOnly,
  isGood,
  judgePiece,
  spoil,
  type LookContext,
  type LookSheet,
  type Piece,
  type PointCode,
} from '../look';
import { cohenKappa, fleissKappa, random, type Kappa } from '../statistics';

/** Times each person looks at each item. */
export const ROUNDS = 2;

/** One thing to be looked at: a drawn piece, or a photograph somebody knows the answer to. */
export type StudyItem =
  | {
      readonly kind: 'drawn';
      readonly fault: string | null;
      readonly degree: 'borderline' | 'wrong';
      readonly key: 'accept' | 'reject';
    }
  | {
      readonly kind: 'photo';
      readonly combination: string;
      readonly photo: string;
      readonly key: 'accept' | 'reject';
      /** Point that is bad, where one is. */
      readonly point: PointCode | null;
    };

/** What somebody said of an item: good or not, and at which point not. */
export interface StudyAnswer {
  readonly person: string;
  /** From 1. */
  readonly round: number;
  /** Place of the item in the study, from 0. */
  readonly item: number;
  readonly answer: 'accept' | 'reject';
  readonly point: PointCode | null;
}

/**
 * A set of drawn pieces of one combination to be looked at blind: about four in ten good, some of those just good enough,
 * every fault the combination can show taken in turn.
 */
export function drawnItems(context: LookContext, sheet: LookSheet, count: number, seed: number): StudyItem[] {
  const next = random(seed);
  const list = criteria(context, sheet);
  // What only a caliper or a cut tells cannot be asked of an eye.
  const seen = list.filter((c) => !isCaliperOnly(c)).map((c) => c.code);
  const faults = faultsOf(context).filter((f) => seen.includes(f.point));
  const right = asDrawn(context);
  const shuffledFaults = shuffle(faults, next);
  const items = Array.from({ length: count }, (_, i): StudyItem => {
    const fault = shuffledFaults[i % Math.max(1, shuffledFaults.length)];
    const share = next();
    if (!fault || share < 0.25) return { kind: 'drawn', fault: null, degree: 'wrong', key: 'accept' };
    const degree = fault.graded && share < 0.4 ? 'borderline' : 'wrong';
    const criterion = list.find((c) => c.code === fault.point) ?? null;
    const found = judgePiece(context, list, spoil(fault, right, context, degree, criterion));
    return { kind: 'drawn', fault: fault.code, degree, key: [...found.values()].every(isGood) ? 'accept' : 'reject' };
  });
  return items;
}

/** The piece a drawn item shows. */
export function drawnPiece(context: LookContext, sheet: LookSheet, item: Extract<StudyItem, { kind: 'drawn' }>): Piece {
  const right = asDrawn(context);
  const fault = FAULTS.find((f) => f.code === item.fault);
  if (!fault) return right;
  const criterion = criteria(context, sheet).find((c) => c.code === fault.point) ?? null;
  return spoil(fault, right, context, item.degree, criterion);
}

/** The point that is bad on an item; null for a good one. */
export function badPoint(item: StudyItem): PointCode | null {
  if (item.key === 'accept') return null;
  return item.kind === 'photo' ? item.point : (FAULTS.find((f) => f.code === item.fault)?.point ?? null);
}

/** The order one person sees the items in, in one round: another one each time, the same when asked again. */
export function orderFor(count: number, seed: number, person: string, round: number): number[] {
  let hash = seed + 977 * round;
  for (const letter of person) hash = (hash * 31 + (letter.codePointAt(0) ?? 0)) | 0;
  return shuffle(
    Array.from({ length: count }, (_, i) => i),
    random(hash),
  );
}

function shuffle<T>(list: readonly T[], next: () => number): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(next() * (i + 1));
    [out[i], out[j]] = [out[j] as T, out[i] as T];
  }
  return out;
}

export interface InspectorResult {
  readonly person: string;
  readonly answers: number;
  /** Against the key. */
  readonly key: Kappa;
  /** Against themselves, first round and second. */
  readonly self: Kappa;
  /** Bad ones called good, of all bad ones shown; good ones called bad, of all good ones. */
  readonly misses: number;
  readonly bad: number;
  readonly alarms: number;
  readonly good: number;
  /** Bad ones called bad for another reason than the true one. */
  readonly wrongPoint: number;
}

export interface StudyResult {
  readonly inspectors: readonly InspectorResult[];
  /** Of those who answered everything, over both rounds; null with fewer than two of them. */
  readonly together: Kappa | null;
  /** Each pair of people, first rounds. */
  readonly pairs: readonly { readonly one: string; readonly other: string; readonly kappa: Kappa }[];
  /** Points that cause disagreement with the key, most first. */
  readonly points: readonly {
    readonly point: PointCode | null;
    readonly misses: number;
    readonly alarms: number;
    readonly shown: number;
  }[];
}

/** What a study shows so far. Kappa is given with its 95 % interval; misses and false alarms apart, since they do not weigh alike. */
export function judgeStudy(items: readonly StudyItem[], answers: readonly StudyAnswer[]): StudyResult {
  const people = [...new Set(answers.map((a) => a.person))];
  const of = (person: string, round?: number) =>
    answers.filter((a) => a.person === person && (round === undefined || a.round === round));
  const keyOf = (item: number) => items[item]?.key ?? 'accept';
  const inspectors = people.map((person): InspectorResult => {
    const own = of(person);
    const bad = own.filter((a) => keyOf(a.item) === 'reject');
    const good = own.filter((a) => keyOf(a.item) === 'accept');
    const second = new Map(of(person, 2).map((a) => [a.item, a.answer]));
    return {
      person,
      answers: own.length,
      // Both rounds show the same items: each of them counts once.
      key: cohenKappa(
        own.map((a) => [a.answer, keyOf(a.item)]),
        own.map((a) => a.item),
      ),
      self: cohenKappa(
        of(person, 1).flatMap((a): [string, string][] => {
          const again = second.get(a.item);
          return again ? [[a.answer, again]] : [];
        }),
      ),
      misses: bad.filter((a) => a.answer === 'accept').length,
      bad: bad.length,
      alarms: good.filter((a) => a.answer === 'reject').length,
      good: good.length,
      wrongPoint: bad.filter((a) => {
        const item = items[a.item];
        return a.answer === 'reject' && a.point !== null && item && badPoint(item) !== a.point;
      }).length,
    };
  });
  const whole = people.filter((person) => of(person).length >= items.length * ROUNDS);
  const rated = items.map((_, item) =>
    whole.flatMap((person) =>
      of(person)
        .filter((a) => a.item === item)
        .map((a) => a.answer),
    ),
  );
  const pairs = people.flatMap((one, i) =>
    people.slice(i + 1).map((other) => {
      const theirs = new Map(of(other, 1).map((a) => [a.item, a.answer]));
      return {
        one,
        other,
        kappa: cohenKappa(
          of(one, 1).flatMap((a): [string, string][] => {
            const answer = theirs.get(a.item);
            return answer ? [[a.answer, answer]] : [];
          }),
        ),
      };
    }),
  );
  const points = new Map<PointCode | null, { misses: number; alarms: number; shown: number }>();
  for (const answer of answers) {
    const item = items[answer.item];
    if (!item) continue;
    const isBad = item.key === 'reject';
    const point = isBad ? badPoint(item) : answer.answer === 'reject' ? answer.point : null;
    if (!isBad && answer.answer === 'accept') continue;
    const own = points.get(point) ?? { misses: 0, alarms: 0, shown: 0 };
    if (isBad) own.shown++;
    if (isBad && answer.answer === 'accept') own.misses++;
    if (!isBad) own.alarms++;
    points.set(point, own);
  }
  return {
    inspectors,
    together: whole.length >= 2 ? fleissKappa(rated) : null,
    pairs,
    points: [...points]
      .map(([point, counts]) => ({ point, ...counts }))
      .filter((p) => p.misses + p.alarms > 0)
      .sort((a, b) => b.misses + b.alarms - (a.misses + a.alarms)),
  };
}
