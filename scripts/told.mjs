import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import Jasmine from 'jasmine';
import { format, resolveConfig } from 'prettier';
import { ROOT } from './lib/paths.mjs';

/* npm run told: writes down what is told now, of all that the specs in core/src/testing/told hold, beside them. Read what
   changed before you commit it: every word of it is held from then on. */

const told = new Map();

const jasmine = new Jasmine({ projectBaseDir: ROOT });
jasmine.loadConfig({
  spec_dir: '.',
  spec_files: ['core/src/testing/told/*.spec.ts'],
  jsLoader: 'import',
  env: { random: false },
});
jasmine.exitOnCompletion = false;
jasmine.clearReporters();
jasmine.addReporter({
  specDone({ fullName, properties, failedExpectations }) {
    // One that breaks before anything is told leaves a gap, which is no reason to lose what was read.
    if (!properties?.told && !fullName.endsWith('is told of the same ones that were read'))
      throw new Error(`${fullName}: ${failedExpectations[0]?.message}`);
    if (!properties?.told) return;
    const { file, name, lines } = properties.told;
    told.set(file, { ...told.get(file), [name]: lines });
  },
});
await jasmine.execute();

for (const [name, lines] of told) {
  const filepath = fileURLToPath(new URL(`../core/src/testing/told/${name}.json`, import.meta.url));
  // As the formatter leaves it, so that it is never found wanting by the check of formats.
  writeFileSync(filepath, await format(JSON.stringify(lines), { ...(await resolveConfig(filepath)), filepath }));
}
