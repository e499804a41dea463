export { CHOICE_KEYS, CHOICES, type Choice, type School } from './choices';
export { choosePractice, type PracticeChosen } from './choosePractice';
export {
  ACCEPTANCES,
  SET_UP_RELEASERS,
  ADHESIVE_RULES,
  LOOK_RECORDS,
  BRAZED_SEAMS,
  BRUSH_RULES,
  FOLDED_EDGES,
  GAP_RULES,
  INSULATED_PARTS,
  INSULATOR_ORDERS,
  LOOSE_IN_NEST,
  PULL_EVIDENCE,
  SEALING_HEATS,
  SECOND_BITES,
  SLIGHT_BOWS,
  SOLDER_RULES,
  SPLICE_BITES,
  SECOND_STROKES,
  STEPS_ASKED,
  STRAIN_RELIEFS,
  STRAND_LAYS_KEPT,
  STRANDS_HURT,
  STRAY_STRANDS,
  THIN_WIRES,
  TOOL_POLICIES,
  TWO_GRIPS,
  type Practice,
  type PracticeChoices,
} from './Practice';
export { draftOf, ownChoices, resolvePractice, type PracticeDraft, type PracticeResolved } from './resolvePractice';
export { asKept, asTyped, numberAt, RULE_NUMBERS, withNumbers, type RuleNumber } from './ruleNumbers';
export { STARTER_RULES } from './starterRules';
export { readStrandDamage, strandDamageText } from './strandDamageText';
