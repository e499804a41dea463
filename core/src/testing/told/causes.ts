import { diagnose } from '../../diagnosis';
import { evidenceOf, TELLINGS, type Telling } from '../tellings';

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

/** Mistakes as the bench tells of them, every other one with where it lies in the lot. */
export const toldCauses: ReadonlyMap<string, () => string[]> = new Map(
  TELLINGS.map((telling, i) => [
    `${i + 1} ${telling.cause}: ${telling.found.join(', ')}`,
    () => tellCause(telling, i % 2 === 0),
  ]),
);
