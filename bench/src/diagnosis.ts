import type { ShopFile } from '@tug-mark/contract';
import {
  breakingLoad,
  BY_CHANCE,
  CAUSES,
  computeSetUp,
  FAMILIES,
  NO_DEMAND,
  diagnose,
  EVIDENCE,
  evidenceFrom,
  faultsBeyond,
  PLAIN_SHEET,
  startingRows,
  type Evidence,
  type LookContext,
  type Practice,
} from '@tug-mark/core';
import { simulateCause } from '../../core/src/testing/simulateCause';
import { withoutLook, tryTellings, type Tried } from '../../core/src/testing/tellings';
import { say } from './stations';
import { writeDoc } from './writeDoc';

/** One combination of each family of the demo shop, with a crimp height and width to measure. */
export function demoLooks(shop: ShopFile, practice: Practice): LookContext[] {
  const one = { terminal: 1, wire: 1, together: [], practice: 1 };
  return FAMILIES.flatMap((family) => {
    for (const terminal of shop.terminals.filter((t) => t.family === family)) {
      for (const wire of shop.wires) {
        const context = {
          terminal,
          wire,
          together: [],
          opposite: [],
          use: { ...NO_DEMAND, place: 'dry' as const },
          class: 'standard',
          practice,
          strippers: shop.strippers,
          tools: shop.tools,
          checks: [],
          returns: [],
          limits: shop.limits,
          looks: [],
          cabinet: [],
          zone: 'UTC',
          revisions: one,
          newest: one,
        };
        const { look, fit } = computeSetUp(context, [], new Date().toISOString());
        const size = terminal.barrel.outerDiameter ?? 3;
        if (look && fit.verdict === 'fits') {
          const height = look.height ?? { min: 0.66 * size, max: 0.7 * size };
          return [{ ...look, height, width: look.width ?? { min: 0.95 * size, max: size } }];
        }
      }
    }
    return [];
  });
}

/** What is known of a simulated lot: all of it, without its most telling sign, with that denied, and with one of something else. */
const WAYS = ['whole', 'missing', 'denied', 'another'] as const;
type Way = (typeof WAYS)[number];
const SAID: Readonly<Record<Way, string>> = {
  whole: 'all that was found',
  missing: 'nobody looked at what tells most',
  denied: 'what tells most was looked for and missed',
  another: 'one sign more of something else',
};

interface Trial extends Tried {
  readonly amongThree: number;
}

interface SimulatedTrials {
  readonly counts: Readonly<Record<Way, Trial>>;
  /** Which cause was first instead of which, where what tells most is missing: 'true → said' with how often. */
  readonly confused: ReadonlyMap<string, number>;
}

/** The sign found that speaks most for a cause against all others. */
function mostTelling(code: string, evidence: Evidence): string | null {
  const chance = (cause: (typeof CAUSES)[number], sign: string) => cause.shows[sign] ?? BY_CHANCE;
  const own = CAUSES.find((cause) => cause.code === code);
  if (!own) return null;
  const weight = (sign: string) => chance(own, sign) / CAUSES.reduce((sum, cause) => sum + chance(cause, sign), 0);
  const found = [...evidence].flatMap(([sign, shows]) => (shows ? [sign] : []));
  return found.sort((a, b) => weight(b) - weight(a))[0] ?? null;
}

/**
 * Lots of every cause in every family, on even seeds: the numbers of the diagnosis were settled on odd ones.
 * @param before good pieces before it began, with the change that began it
 */
function trySimulated(contexts: readonly LookContext[], before: number): SimulatedTrials {
  const sheet = { ...PLAIN_SHEET, rows: startingRows() };
  const counts = Object.fromEntries(
    WAYS.map((way) => [way, { all: 0, first: 0, sureAndWrong: 0, amongThree: 0 }]),
  ) as Record<Way, { -readonly [K in keyof Trial]: number }>;
  const confused = new Map<string, number>();
  for (const [i, context] of contexts.entries()) {
    // What a table of the demo asks, as a share of what the wire bears.
    const limit = 0.6 * breakingLoad(context.wire.conductor, context.practice);
    const impossible = faultsBeyond(context);
    for (const { code, shows } of CAUSES) {
      for (let seed = 2; seed <= 20; seed += 2) {
        const model = { seed: seed * 977 + 31 * code.length + i, pieces: 8, before, misses: 0.1, alarms: 0.01, limit };
        const lot = simulateCause(code, context, sheet, model);
        if (!lot) continue;
        const whole = evidenceFrom(lot.findings);
        const telling = mostTelling(code, whole);
        if (!telling) continue;
        const missing = withoutLook(whole, telling);
        const others = EVIDENCE.filter((e) => !(e.code in shows) && !whole.get(e.code) && !impossible.has(e.code));
        const other = others[(seed * 7 + i * 3) % others.length]?.code ?? '';
        const known: Record<Way, Evidence> = {
          whole,
          missing,
          denied: new Map([...whole, [telling, false]]),
          another: new Map([...whole, [other, true]]),
        };
        for (const way of WAYS) {
          const found = diagnose(known[way], [], impossible);
          if (!found) continue;
          const place = found.ranked.findIndex((r) => r.cause.code === code);
          const count = counts[way];
          count.all++;
          if (place === 0) count.first++;
          else if (found.isSure) count.sureAndWrong++;
          if (place >= 0 && place < 3) count.amongThree++;
          if (way !== 'missing' || place === 0) continue;
          const name = `${code} | ${found.ranked[0]?.cause.code ?? ''}`;
          confused.set(name, (confused.get(name) ?? 0) + 1);
        }
      }
    }
  }
  return { counts, confused };
}

const share = (n: number, all: number) => ((100 * n) / Math.max(1, all)).toFixed(1);

/** Both trials side by side, and docs/causes.md. */
export async function benchCauses(contexts: readonly LookContext[]): Promise<void> {
  const told = [false, true].map((withCourse) => ({ withCourse, trials: tryTellings(withCourse) }));
  const simulated = [0, 4].map((before) => ({ before, ...trySimulated(contexts, before) }));
  const lines = [
    '# How often the true cause is first',
    '',
    'Written by `npm run bench -- cause`. Mistakes as they are told at the bench (`core/src/testing/tellings.ts`), written without the table of chances, and lots whose pieces are spoilt by what happens in the die, in every family.',
    '',
    '| tried on | known | trials | first | among three | likeliest and wrong |',
    '|---|---|---|---|---|---|',
  ];
  const row = (on: string, known: string, n: Tried, three = '') => {
    lines.push(
      `| ${on} | ${known} | ${n.all} | ${share(n.first, n.all)} % | ${three} | ${share(n.sureAndWrong, n.all)} % |`,
    );
  };
  for (const { withCourse, trials } of told) {
    const on = withCourse ? 'tellings, with where they lie in the lot' : 'tellings, pieces alone';
    for (const way of ['whole', 'missing', 'another'] as const) row(on, SAID[way], trials[way]);
  }
  for (const { before, counts } of simulated) {
    const on = before ? `simulated, after ${before} good pieces` : 'simulated, from the first piece on';
    for (const way of WAYS) row(on, SAID[way], counts[way], `${share(counts[way].amongThree, counts[way].all)} %`);
  }
  lines.push(
    '',
    'Which cause is taken for which where nobody looked at what tells most (simulated lots, ten times or more):',
    '',
    '| true | first | times |',
    '|---|---|---|',
  );
  const confused = new Map<string, number>();
  for (const each of simulated)
    for (const [name, n] of each.confused) confused.set(name, (confused.get(name) ?? 0) + n);
  for (const [name, n] of [...confused].sort((a, b) => b[1] - a[1])) if (n >= 10) lines.push(`| ${name} | ${n} |`);
  await writeDoc('causes.md', lines);
  for (const { withCourse, trials } of told) {
    say(
      `cause of told mistakes, ${withCourse ? 'with the lot ' : 'pieces alone'}                first ${share(trials.whole.first, trials.whole.all)} %; most telling sign missing ${share(trials.missing.first, trials.missing.all)} (goal 70), one of something else ${share(trials.another.first, trials.another.all)} (goal 90); likeliest and wrong ${share(trials.missing.sureAndWrong, trials.missing.all)}, ${share(trials.another.sureAndWrong, trials.another.all)} (goal at most 3)`,
    );
  }
  for (const { before, counts } of simulated) {
    say(
      `cause of ${counts.whole.all} simulated lots, ${before} good before       ${WAYS.map((way) => `${way} ${share(counts[way].first, counts[way].all)} %, among three ${share(counts[way].amongThree, counts[way].all)}, likeliest and wrong ${share(counts[way].sureAndWrong, counts[way].all)}`).join('; ')}`,
    );
  }
}
