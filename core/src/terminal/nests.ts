/** Shapes a barrel is pressed to. */
export const NEST_PROFILES = [
  'indent-and-cradle',
  'symmetric-oval',
  'two-bite',
  'rolled',
  'window-indent',
  'four-indent',
  'hex',
  'contoured',
  'trapezoid',
  'square',
] as const;
/** Shape a nest presses. */
export type NestProfile = (typeof NEST_PROFILES)[number];
