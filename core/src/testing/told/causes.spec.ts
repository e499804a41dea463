import { computeSetUp } from '../../combination';
import { diagnose, evidenceFrom, howSureCauseText, writeEvidence, type Findings } from '../../diagnosis';
import { eachOnce, readEvidence } from '../../diagnosis/evidence';
import type { LotChange } from '../../entry';
import { howSureSectionText, PLAIN_SHEET } from '../../look';
import { howSureText, type FailureMode } from '../../tug';
import { familyContext } from '../families';
import { NOW } from '../shop';
import { SIMULATED_CAUSES, simulateCause } from '../simulateCause';
import { evidenceOf, TELLINGS, type Telling } from '../tellings';
import { holdTold, type Told } from './hold';
import approved from './causes.json';

/** The likeliest three, with what speaks for and against each, and the next check. */
function tellCause(telling: Telling, withCourse: boolean): string[] {
  const found = diagnose(evidenceOf(telling, withCourse));
  const lines = (found?.ranked ?? [])
    .slice(0, 3)
    .flatMap(({ cause, share, speaksFor, speaksAgainst }) => [
      `${cause.title} | ${share.toFixed(4)}`,
      `${cause.title} | for: ${speaksFor.join('; ') || 'nothing'} | against: ${speaksAgainst.join('; ') || 'nothing'}`,
      `${cause.title} | ${cause.change}`,
    ]);
  const next = found?.next;
  return [...lines, ...(next ? [`next | ${next.evidence.check} | speaks for ${next.speaksFor.title}`] : [])];
}

const CONTACT = computeSetUp(familyContext('sealed-contact'), [], NOW).look;

/** What looks, numbers and forces of lots say whose cause is known, sign by sign. */
function tellEvidence(cause: string): string[] {
  if (!CONTACT) throw new Error('nothing to look at');
  return [1, 2].flatMap((seed) => {
    const model = { seed, pieces: 8, before: 4 * (seed % 2), misses: 0.1, alarms: 0.05, limit: 150 };
    const lot = simulateCause(cause, CONTACT, PLAIN_SHEET, model);
    return lot ? [`lot ${seed} | ${writeEvidence(evidenceFrom(lot.findings)).join(', ')}`] : [];
  });
}

/** Findings one by one. */
const NOTHING: Findings = { looked: [], numbers: [], pulls: [], limit: 150, toolFailed: null, course: [] };
const pulls = (forces: readonly number[], modes: readonly FailureMode[]): Findings['pulls'] =>
  forces.map((force, i) => ({ piece: i + 1, force, mode: modes[i % modes.length] as FailureMode }));
const course = (text: string): Findings['course'] =>
  [...text].map((letter, i) =>
    letter in CHANGED ? { changed: CHANGED[letter] as LotChange } : { piece: i + 1, bad: letter === 'x' },
  );
const CHANGED: Readonly<Record<string, LotChange>> = {
  w: 'wire-reel',
  t: 'terminal-reel',
  d: 'die',
  p: 'person',
  r: 'repair',
};
const FOUND: Readonly<Record<string, Partial<Findings>>> = {
  nothing: {},
  'good pulls': { pulls: pulls([180, 182, 179, 181, 180], ['slid-out']) },
  'four good pulls': { pulls: pulls([180, 240, 120, 181], ['slid-out']) },
  'half of the low ones slid out': { pulls: pulls([140, 130, 180, 190], ['slid-out', 'broke-at-crimp']) },
  'the low ones broke at the crimp': {
    pulls: pulls([140, 130, 180], ['broke-at-crimp', 'broke-at-crimp', 'slid-out']),
  },
  'the low ones strand by strand': { pulls: pulls([140, 130], ['strands-one-by-one']) },
  'the low one was no test': { pulls: pulls([140], ['grip-slipped']) },
  'no limit': { pulls: pulls([140], ['slid-out']), limit: null },
  'at the limit': { pulls: pulls([150], ['slid-out']) },
  scattered: { pulls: pulls([150, 220, 160, 230, 155], ['slid-out']) },
  falling: { pulls: pulls([240, 230, 222, 214, 205, 196, 190, 181], ['slid-out']) },
  'the tool failed': { toolFailed: true },
  'the tool passed': { toolFailed: false },
  'numbers too low': {
    numbers: [
      { point: 'strip', value: 5.9, range: { min: 6, max: 7 } },
      { point: 'height', value: 1.4, range: { min: 1.45, max: 1.55 } },
    ],
  },
  'numbers too high': {
    numbers: [
      { point: 'strip', value: 7.1, range: { min: 6, max: 7 } },
      { point: 'tongue', value: 9, range: { min: 0, max: 4 } },
      { point: 'mark', value: 9, range: { min: 0, max: 4 } },
    ],
  },
  'a fault on one piece of eight': {
    looked: Array.from({ length: 8 }, (_, i) => ({
      piece: i + 1,
      point: 'gap' as const,
      bad: i === 4,
      fault: i === 4 ? 'gap-long' : null,
    })),
  },
  'a fault on two pieces of eight, and one on one': {
    looked: Array.from({ length: 8 }, (_, i) => [
      { piece: i + 1, point: 'gap' as const, bad: i > 5, fault: i > 5 ? 'gap-long' : null },
      { piece: i + 1, point: 'seam' as const, bad: i === 2, fault: null },
      { piece: i + 1, point: 'strands' as const, bad: i === 2, fault: i === 2 ? 'cut-strands' : null },
    ]).flat(),
  },
  ...Object.fromEntries(
    [
      'ggggxxxx',
      'ggwgxxxx',
      'gggwxxxx',
      'gggtxxgx',
      'gggdxxxx',
      'gggpxxxx',
      'gggrxxxx',
      'xxxx',
      'wxxxx',
      'ggxggggg',
      'gxgxgxgx',
      'gggwx',
    ].map((text) => [`the course ${text}`, { course: course(text) }]),
  ),
};
const tellFound = (): string[] =>
  Object.entries(FOUND).map(([name, own]) => {
    const evidence = evidenceFrom({ ...NOTHING, ...own });
    const written = writeEvidence(evidence);
    const again = writeEvidence(readEvidence(written)).join() === written.join() ? '' : ' | not read as written';
    return `${name} | ${written.join(', ') || 'nothing'} | once ${writeEvidence(eachOnce(evidence)).join(', ')}${again}`;
  });

/** Mistakes as the bench tells of them, every other one with where it lies in the lot. */
const told: Told = new Map([
  ...TELLINGS.map(
    (telling, i) =>
      [`${i + 1} ${telling.cause}: ${telling.found.join(', ')}`, () => tellCause(telling, i % 2 === 0)] as const,
  ),
  ['signs', tellFound],
  ['how sure it is', () => [howSureCauseText(), howSureText(), howSureSectionText()]],
  ...SIMULATED_CAUSES.map((cause) => [`lots of ${cause}`, () => tellEvidence(cause)] as const),
]);

holdTold({ in: 'causes', of: 'the cause of a mistake', inSentences: true }, told, approved);
