import type { SetUp } from '../combination';
import { sheetName } from '../part';

/** Papers the parts of a set-up are made by, in one line, as far as the cabinet or the release names them. */
export function papersOf({ sheets }: Pick<SetUp, 'sheets'>): string {
  const named = (['terminal', 'tool', 'stripper'] as const).flatMap((of) => {
    const sheet = sheets[of];
    return sheet ? [`${of}: ${sheetName(sheet)}`] : [];
  });
  return named.length ? `${named.join('; ')}.` : 'None is named, neither in the cabinet nor with the release.';
}
