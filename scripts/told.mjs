import { writeFileSync } from 'node:fs';
import { tellAll } from '../core/src/testing/told/index.ts';

/* npm run told: writes down what is told of every set-up now (core/src/testing/told/told.json). Read what changed before you
   commit it: a spec holds every word of it. */

writeFileSync(
  new URL('../core/src/testing/told/told.json', import.meta.url),
  `${JSON.stringify(tellAll(), null, 2)}\n`,
);
