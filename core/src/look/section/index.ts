export { makeMicrograph, SOUND_MICROGRAPH, type MicrographModel } from './makeMicrograph';
export { SECTION_LABELS, type Picture, type SectionFigures, type SectionLabel, type SectionStroke } from './Micrograph';
export {
  blankSection,
  mendSection,
  readSection,
  sectionFigures,
  type SectionReading,
  type SectionResult,
} from './readSection';
