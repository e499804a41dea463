export {
  ACCEPTANCES,
  BRUSH_RULES,
  GAP_RULES,
  PULL_EVIDENCE,
  SECOND_BITES,
  TOOL_POLICIES,
  type Practice,
} from './Practice';
