import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format, resolveConfig } from 'prettier';
import { TOLD } from '../core/src/testing/told/index.ts';

/* npm run told: writes down what is told now, of set-ups, lots, causes, curves, plans, readings, drawings and sections
   (core/src/testing/told/*.json). Read what changed before you commit it: a spec holds every word of it. */

for (const [name, told] of Object.entries(TOLD)) {
  const filepath = fileURLToPath(new URL(`../core/src/testing/told/${name}.json`, import.meta.url));
  const lines = Object.fromEntries([...told].map(([of, tell]) => [of, tell()]));
  // As the formatter leaves it, so that it is never found wanting by the check of formats.
  writeFileSync(filepath, await format(JSON.stringify(lines), { ...(await resolveConfig(filepath)), filepath }));
}
