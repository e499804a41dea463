import { changeName, failureModeName, lotOf, runOf, type EntryBody } from '@tug-mark/core';

/** What an entry says, in one line; of a later run or a lot with its number first. */
export function describeEntry(body: EntryBody): string {
  const lot = lotOf(body);
  const said = lot === null || body.kind === 'lot' ? describe(body) : `Lot ${lot}. ${describe(body)}`;
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
      return `Piece ${body.piece}${body.wire ? `, wire ${body.wire}` : ''} pulled: ${body.force} N (typed ${body.typed} ${body.unit}), ${failureModeName(body.mode).toLowerCase()}${note}`;
    case 'measure':
      return `Piece ${body.piece}, ${body.what === 'strip' ? 'strip length' : 'crimp height'} ${body.value.toFixed(2)} mm (typed ${body.typed} ${body.unit})${note}`;
    case 'release':
      return `Set-up released against ${body.stands.limit.document} rev ${body.stands.limit.revision}${note}`;
    case 'run':
      return `Set-up begun again (run ${body.run}): ${body.cause}`;
    case 'hold':
      return `Piece ${body.piece} held ${body.force} N for ${body.seconds} s, moved ${body.moved} mm${note}`;
    case 'retention':
      return `Connector ${body.piece}, cavity ${body.cavity}: ${body.clicked ? 'clicked' : 'did not click'}${body.locked === null ? '' : body.locked ? ', locked' : ', not locked'}${body.force === null ? '' : `, pushed with ${body.force} N`}, ${body.stayed ? 'stayed' : 'came out'}${note}`;
    case 'lot':
      return `Lot ${body.name} opened: ${body.pieces} pieces, checked ${body.plan.everyPieces === null ? 'first and last' : `every ${body.plan.everyPieces}`}${note}`;
    case 'progress':
      return body.what === 'change'
        ? `At piece ${body.made} ${changeName(body.change ?? '')}${body.to ? ` to ${body.to}` : ''}${note}`
        : `${body.what === 'made' ? `${body.made} pieces counted` : body.what === 'pause' ? `Paused at piece ${body.made}` : `Resumed at piece ${body.made}`}${note}`;
    case 'disposition':
      return `Pieces ${body.from} to ${body.to}: ${body.what}${note}`;
    case 'finish':
      return `Finished${note}`;
    case 'ruling':
      return `Piece ${body.piece}, quality rules: ${body.ruling}${note}`;
  }
}
