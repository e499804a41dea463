export { choosePreparation, type Preparation } from './choosePreparation';
export { strandDamage } from './strandDamage';
export { stripWindow, type StripWindow } from './stripWindow';
export { type Stripper } from './Stripper';
