import { entriesOf, measuresOf, type Entry } from '../entry';
import { AS_DRAWN, type PieceFinding, type PieceNumber } from '../look';
import { atEnd, endOf } from '../terminal';

/** What was found and measured on pieces, each under the key of its point: of a splice, that of the end it was found at. */
export function lookEvidence(entries: readonly Entry[]): {
  readonly findings: readonly PieceFinding[];
  readonly numbers: readonly PieceNumber[];
} {
  return {
    findings: entriesOf(entries, 'finding').map(({ body: { piece, criterion, finding, ...about } }) => ({
      ...{ piece, finding },
      criterion: criterion === AS_DRAWN ? AS_DRAWN : atEnd(criterion, endOf(about)),
    })),
    numbers: measuresOf(entries).map(({ body: { piece, what, value, ...about } }) => ({
      ...{ piece, value },
      what: atEnd(what, endOf(about)),
    })),
  };
}
