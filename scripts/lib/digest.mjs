import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { ROOT } from './paths.mjs';

/** Every file of a folder, in one order; or the file itself. */
export function* files(path) {
  if (statSync(path).isFile()) yield path;
  else for (const name of readdirSync(path).sort()) yield* files(`${path}/${name}`);
}

/** Digest of what something is built from, tests left out: it is built again when this changes. */
export function digestOf(sources) {
  const hash = createHash('sha256');
  for (const source of sources) {
    for (const file of files(`${ROOT}${source}`)) {
      if (!file.endsWith('.spec.ts')) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}
