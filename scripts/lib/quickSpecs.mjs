import { readFileSync } from 'node:fs';

/* A helper of Jasmine that leaves out the specs named in the file TUG_LEFT_OUT: a mutant is tried on every spec that comes
   by its line, and a slow simulation that comes by all lines would make hours of minutes. */

const leftOut = new Set(process.env.TUG_LEFT_OUT ? JSON.parse(readFileSync(process.env.TUG_LEFT_OUT, 'utf8')) : []);
/** Where each spec stands, by its full name: the runner takes this file for all of theirs. */
export const placeOf = new Map();
const above = [];
const { describe: group, it: spec, xit: left } = globalThis;

globalThis.describe = (name, body) => {
  above.push(name);
  try {
    return group(name, body);
  } finally {
    above.pop();
  }
};
globalThis.it = (name, ...rest) => {
  const fullName = [...above, name].join(' ');
  placeOf.set(fullName, /\/(core\/src\/[^:?]*)/.exec(new Error().stack?.split('\n')[2] ?? '')?.[1] ?? '');
  return (leftOut.has(fullName) ? left : spec)(name, ...rest);
};
