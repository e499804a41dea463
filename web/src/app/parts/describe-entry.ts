import {
  AS_DRAWN,
  CAUSES,
  changeName,
  failureModeName,
  FAULTS,
  lotOf,
  pointOf,
  runOf,
  showPoint,
  type EntryBody,
} from '@tug-mark/core';

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
      return `Piece ${body.piece}, ${body.criterion === AS_DRAWN ? 'every point as drawn' : body.criterion}: ${body.finding}${body.fault ? ` (${faultTitle(body.fault)})` : ''}${note}`;
    case 'reading':
      return `Piece ${body.piece}${body.wire ? `, wire ${body.wire}` : ''} pulled: ${body.force} N (typed ${body.typed} ${body.unit}), ${failureModeName(body.mode).toLowerCase()}${note}`;
    case 'measure':
      return `Piece ${body.piece}, ${body.what === 'strip' ? 'strip length' : pointOf(body.what).title.toLowerCase()} ${showPoint(body.value, body.unit === 'in' ? 'mm' : body.unit)} (${body.from ? `from ${body.from}` : `typed ${body.typed} ${body.unit}`})${note}`;
    case 'photo':
      return `Piece ${body.piece} photographed, ${body.shows}${note}`;
    case 'marks':
      return `Piece ${body.piece}: ${body.marks.marks.length} measured on its photograph${note}`;
    case 'section':
      return `Piece ${body.piece} cut: ${(100 * body.figures.compression).toFixed(1)} % of the metal left, ${(100 * body.figures.voids).toFixed(1)} % voids, ${body.figures.strands} strands${body.mended.length ? ', mask mended by hand' : ''}${note}`;
    case 'cause':
      return `Cause confirmed: ${CAUSES.find((c) => c.code === body.cause)?.title.toLowerCase() ?? body.cause}${note}`;
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

const faultTitle = (code: string) => FAULTS.find((f) => f.code === code)?.title.toLowerCase() ?? code;
