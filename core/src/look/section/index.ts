export { HOW_SURE_SECTION, howSureSectionText } from './howSureSection';
export { makeMicrograph, SOUND_MICROGRAPH, type MicrographModel } from './makeMicrograph';
export { mendSection } from './mendSection';
export {
  SECTION_LABELS,
  toldStrands,
  type MeasuredPiece,
  type Picture,
  type SectionFigures,
  type SectionLabel,
  type SectionStroke,
} from './Micrograph';
export { blankSection, readSection, type SectionReading, type SectionResult } from './readSection';
export { sectionFigures, squareness } from './sectionFigures';
