import { writeFileSync } from 'node:fs';
import { TOLD } from '../core/src/testing/told/index.ts';

/* npm run told: writes down what is told now, of set-ups, lots, causes and curves (core/src/testing/told/*.json). Read what
   changed before you commit it: a spec holds every word of it. */

for (const [name, told] of Object.entries(TOLD)) {
  const lines = Object.fromEntries([...told].map(([of, tell]) => [of, tell()]));
  const file = new URL(`../core/src/testing/told/${name}.json`, import.meta.url);
  writeFileSync(file, `${JSON.stringify(lines, null, 2)}\n`);
}
