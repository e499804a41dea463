import { writeFileSync } from 'node:fs';
import { formats } from './formats';

/** Writes the shipped schemas again: npm run formats. */
for (const [name, content] of Object.entries(formats())) {
  writeFileSync(new URL(`../../../docs/formats/${name}`, import.meta.url), content);
}
