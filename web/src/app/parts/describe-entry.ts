import { failureModeName, runOf, type EntryBody } from '@tug-mark/core';

/** What an entry says, in one line; of a later run with the run's number first. */
export function describeEntry(body: EntryBody): string {
  const said = describe(body);
  return body.kind === 'run' || runOf(body) === 1 ? said : `Run ${runOf(body)}. ${said}`;
}

function describe(body: EntryBody): string {
  const note = 'note' in body && body.note ? `, ${body.note}` : '';
  switch (body.kind) {
    case 'tool':
      return `Tool ${body.tool}, die ${body.die}, nest ${body.nest}${body.setting ? `, setting ${body.setting}` : ''}${body.positioner ? `, ${body.positioner}` : ''} taken`;
    case 'gate':
      return `Step ${body.gate}: ${body.answer}${note}`;
    case 'finding':
      return `Piece ${body.piece}, ${body.criterion}: ${body.finding}${note}`;
    case 'reading':
      return `Piece ${body.piece} pulled: ${body.force} N (typed ${body.typed} ${body.unit}), ${failureModeName(body.mode).toLowerCase()}${note}`;
    case 'measure':
      return `Piece ${body.piece}, ${body.what === 'strip' ? 'strip length' : 'crimp height'} ${body.value.toFixed(2)} mm (typed ${body.typed} ${body.unit})${note}`;
    case 'release':
      return `Set-up released against ${body.stands.limit.document} rev ${body.stands.limit.revision}${note}`;
    case 'run':
      return `Set-up begun again (run ${body.run}): ${body.cause}`;
    case 'ruling':
      return `Piece ${body.piece}, quality rules: ${body.ruling}${note}`;
  }
}
