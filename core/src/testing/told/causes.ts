import { diagnose } from '../../diagnosis';
import { evidenceOf, TELLINGS } from '../tellings';

/** Causes as they are ranked for mistakes as the bench tells of them, with what speaks for each and the next check. */
export const tellCauses = (): Record<string, string[]> =>
  Object.fromEntries(
    TELLINGS.map((telling, i) => {
      const found = diagnose(evidenceOf(telling, i % 2 === 0));
      const lines = (found?.ranked ?? [])
        .slice(0, 3)
        .flatMap(({ cause, share, speaksFor, speaksAgainst }) => [
          `${cause.title} | ${share.toFixed(4)}`,
          `${cause.title} | for: ${speaksFor.join('; ') || 'nothing'} | against: ${speaksAgainst.join('; ') || 'nothing'}`,
          `${cause.title} | ${cause.change}`,
        ]);
      const next = found?.next;
      return [
        `${i + 1} ${telling.cause}: ${telling.found.join(', ')}`,
        [...lines, ...(next ? [`next | ${next.evidence.check} | speaks for ${next.speaksFor.title}`] : [])],
      ];
    }),
  );
