export { drawEnd, type EndState } from './drawEnd';
export { drawSheet, PAPERS, PAPER_SIZES, type Page, type Paper, type SheetInput } from './drawSheet';
export { drawSide, type Drawing } from './drawSide';
export { packStrands } from './packStrands';
export { pageToSvg, PAPER_INKS } from './pageToSvg';
export { qrPath } from './qrPath';
export { INKS, type Ink, type Shape } from './shapes';
export { sideView, type SideView } from './sideView';
