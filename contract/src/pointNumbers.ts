/**
 * Numbers a chart's point is sent as, float64 each, little-endian: ms since 1970, force (N; of anything but one combination
 * percent of its own limit), group (a lot or a set-up), piece. Apart from the schemas: the page loads none for it.
 */
export const POINT_NUMBERS = 4;
