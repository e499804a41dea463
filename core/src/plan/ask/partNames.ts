import type { PlanChange } from '../PlanWork';

/** What is changed, as a bench calls it. */
export const PART_NAMES: Readonly<Record<PlanChange['part'], string>> = {
  die: 'die',
  nest: 'nest',
  selector: 'selector',
  positioner: 'positioner',
  grip: 'insulation grip',
  reel: 'reel',
  frame: 'tool to this bench',
  notch: 'stripper notch',
  stop: 'length stop',
  heater: 'heater',
};
