import { readFileSync } from 'node:fs';

/* A helper of Jasmine that leaves out the specs named in the file TUG_LEFT_OUT: a mutant is tried on every spec that comes
   by its line, and a slow simulation that comes by all lines would make hours of minutes. */

const leftOut = new Set(process.env.TUG_LEFT_OUT ? JSON.parse(readFileSync(process.env.TUG_LEFT_OUT, 'utf8')) : []);
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
  return (leftOut.has([...above, name].join(' ')) ? left : spec)(name, ...rest);
};
