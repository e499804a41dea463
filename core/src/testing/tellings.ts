import { diagnose, EVIDENCE, seenWith, type Evidence } from '../diagnosis';

/** Bad pieces as the bench tells of them: what is behind them, what was found, most telling first, and what was looked for in vain. */
export interface Telling {
  readonly cause: string;
  readonly found: readonly string[];
  readonly notFound: readonly string[];
  /** How it came about, where the lot tells it: signs that begin with a change, or lie on some pieces alone; with '!' before those that do not. */
  readonly course: readonly string[];
}

const words = (text: string) => text.split(' ').filter(Boolean);
const told = (cause: string, found: string, notFound = '', course = ''): Telling => ({
  cause,
  found: words(found),
  notFound: words(notFound),
  course: words(course),
});

/**
 * What each mistake looks like, from how the job is told at the bench: written without the table of chances that a diagnosis
 * goes by, and never to be tuned to it.
 */
export const TELLINGS: readonly Telling[] = [
  told('strip-short', 'strip-too-short insulation-inside brush-short', '', '!on-some since-tool'),
  told('strip-short', 'strip-too-short window-empty force-low slid-out', 'gap-long', '!on-some since-tool !since-wire'),
  told('strip-short', 'strip-too-short brush-short force-low slid-out', 'height-over', '!on-some'),
  told('strip-short', 'insulation-inside window-empty brush-short', 'brush-long', 'since-wire !on-some'),
  told('not-bottomed', 'gap-long brush-short force-low slid-out', 'strip-too-short', 'on-some'),
  told('not-bottomed', 'window-empty gap-long', 'force-low strip-too-short', 'on-some !since-tool !since-wire'),
  told('not-bottomed', 'gap-long window-empty force-scattered force-low slid-out', '', 'on-some since-person'),
  told('not-bottomed', 'brush-short gap-long', 'strip-too-short insulation-inside', 'on-some !since-wire'),
  told('strip-long', 'strip-too-long gap-long', '', '!on-some since-tool'),
  told('strip-long', 'strip-too-long brush-long', 'insulation-inside', '!on-some'),
  told('strip-long', 'brush-long gap-long', 'insulation-inside force-low', '!on-some since-tool !since-person'),
  told('pushed-too-far', 'insulation-inside brush-long', 'strip-too-short strip-too-long', 'on-some since-person'),
  told('pushed-too-far', 'insulation-inside brush-long force-low slid-out', 'gap-long', 'on-some'),
  told('pushed-too-far', 'brush-long insulation-inside', 'gap-long window-empty', 'on-some !since-tool'),
  told('strands-hurt', 'cut-strands force-low strand-by-strand', '', '!on-some since-wire'),
  told('strands-hurt', 'cut-strands broke-at-crimp force-low', 'height-under', 'on-some'),
  told('strands-hurt', 'cut-strands force-scattered', 'stray-strands', 'on-some !since-tool'),
  told('strands-hurt', 'strand-by-strand force-low force-scattered', 'height-under height-over', 'on-some since-wire'),
  told('strands-outside', 'stray-strands force-low', '', 'on-some'),
  told(
    'strands-outside',
    'stray-strands force-scattered slid-out force-low',
    'cut-strands height-over',
    'on-some !since-tool',
  ),
  told('strands-outside', 'stray-strands', 'cut-strands', 'on-some since-person'),
  told('upside-down', 'upside-down one-sided', 'force-low', 'on-some since-person'),
  told('upside-down', 'upside-down one-sided voids-many', 'height-over', '!on-some since-person'),
  told('upside-down', 'one-sided cracked', 'height-under bite-towards-wire', 'on-some'),
  told('loose-seat', 'bite-towards-wire twisted', 'insulation-inside', 'on-some'),
  told('loose-seat', 'twisted tongue-bent bite-towards-tongue', '', 'on-some !since-wire'),
  told('loose-seat', 'bite-towards-wire bellmouth-none force-scattered', '', 'on-some since-tool'),
  told('loose-seat', 'splice-bent bite-towards-wire', 'height-over', 'on-some'),
  told('tool-worn', 'tool-failed height-over force-low slid-out', 'wrong-mark', '!since-tool !since-wire'),
  told('tool-worn', 'tool-failed force-falling slid-out force-low', '', '!since-tool !since-person !since-wire'),
  told('tool-worn', 'force-falling height-over force-low slid-out voids-many', 'wrong-mark', '!since-wire !since-tool'),
  told('tool-worn', 'tool-failed voids-many', 'brush-short', '!since-tool'),
  told('set-high', 'height-over force-low slid-out', 'tool-failed wrong-mark', '!on-some since-tool'),
  told(
    'set-high',
    'height-over voids-many force-low slid-out',
    'tool-failed force-falling',
    '!on-some since-tool !since-wire',
  ),
  told('set-high', 'height-over grip-open', 'wrong-mark', '!on-some since-tool'),
  told('set-low', 'height-under broke-at-crimp force-low', 'cut-strands', '!on-some since-tool'),
  told('set-low', 'height-under cracked', 'wrong-mark upside-down', '!on-some since-tool !since-terminals'),
  told('set-low', 'height-under pressed-much strand-by-strand force-low', '', '!on-some since-tool'),
  told('set-low', 'height-under flash grip-cuts', 'wrong-mark', '!on-some'),
  told('wrong-nest', 'wrong-mark height-over slid-out force-low', '', '!on-some since-tool'),
  told('wrong-nest', 'wrong-mark height-under flash', '', '!on-some since-tool'),
  told('wrong-nest', 'wrong-mark width-over', 'tool-failed', '!on-some since-tool !since-wire'),
  told('wrong-wire', 'voids-many grip-open slid-out force-low', 'height-over', '!on-some since-wire'),
  told('wrong-wire', 'grip-open force-low slid-out', 'height-over brush-short tool-failed', 'since-wire !since-tool'),
  told('wrong-wire', 'voids-many slid-out force-low', 'height-over tool-failed wrong-mark', '!on-some since-wire'),
  told('hard-terminal', 'cracked', 'height-under wrong-mark', 'since-terminals !since-tool'),
  told('hard-terminal', 'cracked force-low broke-at-crimp', 'height-under cut-strands', 'since-terminals on-some'),
  told('hard-terminal', 'cracked one-sided', 'upside-down height-under', 'since-terminals'),
  told('grip-setting', 'grip-cuts', 'height-under', '!on-some since-tool'),
  told('grip-setting', 'grip-open', 'height-over force-low', '!on-some since-wire'),
  told('seal-handling', 'seal-torn seal-forward', '', 'on-some since-person'),
  told('seal-handling', 'seal-forward cover-short', 'bite-towards-wire', 'on-some'),
  told('seal-handling', 'seal-torn', 'insulation-melted', 'on-some !since-tool'),
  told('heat', 'sleeve-charred insulation-melted', '', 'on-some'),
  told('heat', 'sleeve-open sleeve-off-centre', '', 'on-some since-person'),
  told('heat', 'sleeve-bubbles sleeve-split', 'seal-torn', 'on-some since-person'),
];

/** What is known by a telling. */
export function evidenceOf(
  { found, notFound, course }: Omit<Telling, 'cause'>,
  withCourse: boolean,
): Map<string, boolean> {
  const told = withCourse ? course.map((code) => [code.replace('!', ''), !code.startsWith('!')] as const) : [];
  return new Map([
    ...found.map((code) => [code, true] as const),
    ...notFound.map((code) => [code, false] as const),
    ...told,
  ]);
}

/** The same where nobody looked at what tells most; null where nothing bad is left. */
function withoutTheMostTelling(telling: Telling, withCourse: boolean): Evidence | null {
  const [most = '', ...found] = telling.found;
  if (!found.length) return null;
  return withoutLook(evidenceOf({ ...telling, found }, withCourse), most);
}

/** What is known without the look that shows a sign: whoever did not look at the gap knows neither that it is long nor that it is not. */
export function withoutLook(evidence: Evidence, sign: string): Evidence {
  const own = seenWith(sign);
  return new Map([...evidence].filter(([code, shows]) => code !== sign && (shows || !own.includes(code))));
}

/** The same with each sign that has nothing to do with it, one at a time. */
function withAnother(telling: Telling, codes: readonly string[], withCourse: boolean): Evidence[] {
  const own = new Set(TELLINGS.filter((t) => t.cause === telling.cause).flatMap((t) => [...t.found, ...t.course]));
  const known = evidenceOf(telling, withCourse);
  return codes
    .filter((code) => !own.has(code) && !own.has(`!${code}`) && !known.has(code))
    .map((code) => new Map([...known, [code, true]]));
}

/** How often the true cause was first, and how often another was called the likeliest. */
export interface Tried {
  readonly all: number;
  readonly first: number;
  readonly sureAndWrong: number;
}

/** Counts trials, each a cause and what is known of it. */
export function tried(trials: Iterable<readonly [cause: string, evidence: Evidence | null]>): Tried {
  let [all, first, sureAndWrong] = [0, 0, 0];
  for (const [cause, evidence] of trials) {
    const found = evidence && diagnose(evidence);
    if (!found) continue;
    all++;
    if (found.ranked[0]?.cause.code === cause) first++;
    else if (found.isSure) sureAndWrong++;
  }
  return { all, first, sureAndWrong };
}

/** All tellings: as they are, where nobody looked at what tells most, and with one sign more that belongs to something else. */
export function tryTellings(withCourse: boolean): Record<'whole' | 'missing' | 'another', Tried> {
  const codes = EVIDENCE.map(({ code }) => code).filter((code) => withCourse || !/^(since|on)-/.test(code));
  return {
    whole: tried(TELLINGS.map((t) => [t.cause, evidenceOf(t, withCourse)])),
    missing: tried(TELLINGS.map((t) => [t.cause, withoutTheMostTelling(t, withCourse)])),
    another: tried(TELLINGS.flatMap((t) => withAnother(t, codes, withCourse).map((e) => [t.cause, e] as const))),
  };
}
