export { drawEnd, type EndState } from './drawEnd';
export { drawPieceEnd, drawPieceSide } from './drawPiece';
export { drawCertificate, type CertificateInput } from './drawCertificate';
export { drawNest } from './drawNest';
export {
  DIMENSIONS,
  drawTerminal,
  type DimensionPath,
  type DrawnDimension,
  type TerminalDrawing,
  type TerminalOutline,
} from './drawTerminal';
export { drawSheet, type SheetInput } from './drawSheet';
export { PAPERS, PAPER_SIZES, type Letterhead, type Logo, type Page, type Paper, type Placed } from './PageWriter';
export { drawSide, type Drawing } from './drawSide';
export { drawStrippedEnd } from './drawStrippedEnd';
export { packStrands } from './packStrands';
export { pagesToSvg, pageToSvg, PAPER_INKS } from './pageToSvg';
export { qrPath } from './qrPath';
export { INKS, type Ink, type Shape } from './shapes';
export { sideView, type SideView } from './sideView';
