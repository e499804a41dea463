import { PRESSED } from '../geometry';
import type { NestProfile } from '../terminal';
import { DIES } from './dies';
import type { Drawing } from './drawSide';
import { path } from './shapes';

/** The dies of a nest around the shape they press, as seen along the wire: to choose a profile by. */
export function drawNest(profile: NestProfile): Drawing {
  return {
    shapes: [
      ...DIES[profile].map((d) => path(d, { fill: 'steel' })),
      path(PRESSED[profile], { fill: 'tin', stroke: 'tin-edge', width: 2 }),
    ],
    box: { x: -140, y: -140, width: 280, height: 280 },
    scale: 1,
  };
}
