export { choosePreparation, type Preparation } from './choosePreparation';
export { chooseShrinkTube, type TubeCandidate, type TubeTask } from './chooseShrinkTube';
export { reterminationBudget, wireInCrimp, type ReterminationBudget } from './reterminationBudget';
export { SLIDE_ON_PART_KINDS } from './kinds';
export { coveringSchema, type SlideOnPart } from './SlideOn';
export { strandDamage } from './strandDamage';
export { stripWindow, type StripWindow } from './stripWindow';
export { stripperSchema, type Stripper } from './Stripper';
export { wirePlace, type WirePlace } from './wirePlace';
