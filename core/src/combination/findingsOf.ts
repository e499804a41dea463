import type { CourseStep, Findings } from '../diagnosis';
import { AS_DRAWN, isGood, POINT_CODES } from '../look';
import { endOf } from '../terminal';
import { checkPassed } from '../tool';
import type { SetUp, SetUpContext } from './computeSetUp';
import { entriesOf, type Entry, ofCurrentRun, ofLot, measuresOf } from '../entry';
import { measureAsked } from './measureAsked';
import { isValidMode } from '../tug';
import { pullLimit } from './pulls';
import { wireOf } from './wireOf';

/**
 * What eye, caliper, gauge and pull found on the pieces of the set-up's current run, or of one lot, as a diagnosis asks for it.
 *
 * @param checks go/no-go checks of any tools; the latest one since the tool was taken speaks
 */
export function findingsOf(
  setUp: SetUp,
  journal: readonly Entry[],
  lot: number | null,
  checks: SetUpContext['checks'],
): Findings {
  const run = ofCurrentRun(journal);
  const own = lot === null ? run : ofLot(journal, lot);
  const criteria = (lot === null ? setUp.criteria : setUp.lotCriteria.get(lot)) ?? [];
  const findings = entriesOf(own, 'finding').map((e) => e.body);
  const bad = new Set(findings.filter((f) => !isGood(f.finding)).map((f) => f.piece));
  const looked = findings.flatMap((f) => {
    if (f.criterion !== AS_DRAWN) {
      const point = POINT_CODES.find((code) => code === f.criterion);
      return point ? [{ piece: f.piece, point, bad: !isGood(f.finding), fault: f.fault ?? null }] : [];
    }
    // A piece that is as drawn shows none of the faults that eyes can see.
    return bad.has(f.piece)
      ? []
      : criteria
          .filter((c) => c.view !== 'section')
          .map((c) => ({ piece: f.piece, point: c.code, bad: false, fault: null }));
  });
  const numbers = measuresOf(own).flatMap(({ body }) => {
    const { what, value, piece } = body;
    const asked = measureAsked({ criteria }, what, wireOf(setUp, body), endOf(body));
    return asked ? [{ piece, point: what, value, range: asked.range }] : [];
  });
  const [pull] = setUp.pulls;
  const found = lot === null ? setUp.standing : pull && pullLimit(pull, setUp.lots.get(lot) ?? []);
  const limit = found?.limit?.force ?? null;
  const pulled = entriesOf(own, 'reading')
    .map((e) => e.body)
    .filter((r) => (r.wire ?? 1) === 1)
    .sort((a, b) => a.piece - b.piece);
  const taken = entriesOf(run, 'tool').at(-1);
  const check = checks
    .filter((c) => taken && c.tool === taken.body.tool && c.at > taken.at)
    .filter((c) => c.die === null || c.die === taken?.body.die || !checkPassed(c))
    .sort((a, b) => a.at.localeCompare(b.at))
    .at(-1);
  const outside = numbers.filter(({ value, range }) => value < range.min - 1e-9 || value > range.max + 1e-9);
  const low = pulled.filter((p) => isValidMode(p.mode) && limit !== null && p.force < limit);
  for (const { piece } of [...outside, ...low]) bad.add(piece);
  return {
    looked,
    numbers: numbers.map(({ point, value, range }) => ({ point, value, range })),
    pulls: pulled.map(({ piece, force, mode }) => ({ piece, force, mode })),
    limit,
    toolFailed: check ? !checkPassed(check) : null,
    course: lot === null ? [] : course(),
  };

  /** Pieces as they were made, with the changes of the lot between them. */
  function course(): CourseStep[] {
    const known = new Set([...findings, ...pulled].map(({ piece }) => piece));
    const changes = entriesOf(own, 'progress').flatMap(({ body }) =>
      body.what === 'change' && body.change ? [{ after: body.made, step: { changed: body.change } }] : [],
    );
    const pieces = [...new Set([...known, ...bad])].map((piece) => ({
      after: piece - 1,
      step: { piece, bad: bad.has(piece) },
    }));
    // A change after piece 40 comes before piece 41.
    return [...changes, ...pieces].sort((a, b) => a.after - b.after).map(({ step }) => step);
  }
}
