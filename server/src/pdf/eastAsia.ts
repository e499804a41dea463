import type * as fontkit from 'fontkit';
import { readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);

/**
 * Scripts of East Asia have more signs than one file carries: each family comes as some hundred slices of one variable
 * weight. A slice is made into a font of one weight when the first of its signs is written.
 */
const FAMILIES = ['sc', 'jp', 'kr'] as const;
type Family = (typeof FAMILIES)[number];

/** Where the signs of a family are. */
interface Slices {
  readonly folder: string;
  readonly of: ReadonlyMap<number, string>;
}

const known = new Map<Family, Slices>();
/** The slice of every code point of a family, by the package's own list; read once. */
function slicesOf(family: Family): Slices {
  let found = known.get(family);
  if (!found) {
    const list = require.resolve(`@fontsource-variable/noto-sans-${family}/unicode.json`);
    const of = new Map<number, string>();
    for (const [name, ranges] of Object.entries(JSON.parse(readFileSync(list, 'utf8')) as Record<string, string>)) {
      for (const range of ranges.split(',')) {
        const [from = 0, to = from] = range
          .slice('U+'.length)
          .split('-')
          .map((hex) => parseInt(hex, 16));
        for (let code = from; code <= to; code++) of.set(code, name.replace(/[[\]]/g, ''));
      }
    }
    found = { folder: join(dirname(list), 'files'), of };
    known.set(family, found);
  }
  return found;
}

/** The families in the order a text asks for: Han signs are drawn as its other letters say, else as in the first. */
function familiesFor(text: string): readonly Family[] {
  if (/\p{Script=Hangul}/u.test(text)) return ['kr', 'jp', 'sc'];
  if (/[\p{Script=Hiragana}\p{Script=Katakana}]/u.test(text)) return ['jp', 'sc', 'kr'];
  return FAMILIES;
}

/** The file of the slice that has a code point, if any does. */
function fileOf(family: Family, code: number): string | undefined {
  const { folder, of } = slicesOf(family);
  const slice = of.get(code);
  return slice === undefined ? undefined : join(folder, `noto-sans-${family}-${slice}-wght-normal.woff2`);
}

const nameOf = (file: string, weight: number) => `${file}#${weight}`;

/** A font of one weight, with what it can write. */
interface Made {
  readonly bytes: Buffer;
  readonly signs: ReadonlySet<number>;
}
const made = new Map<string, Promise<Made | null>>();
const ready = new Map<string, Made>();

async function make(file: string, weight: number): Promise<Made | null> {
  // Both are large and few shops need them.
  const { create } = require('fontkit') as typeof fontkit;
  const { default: subsetFont } = await import('subset-font');
  const bytes = await readFile(file);
  const whole = create(bytes);
  if (!('characterSet' in whole)) return null;
  const all = String.fromCodePoint(...whole.characterSet);
  const one = await subsetFont(bytes, all, { targetFormat: 'sfnt', variationAxes: { wght: weight } });
  const font = create(one);
  return 'characterSet' in font ? { bytes: one, signs: new Set(font.characterSet) } : null;
}

/** Makes the fonts the signs of a text need, each once. */
export async function makeSlices(text: string, codes: Iterable<number>, weight: number): Promise<void> {
  for (const code of codes) {
    for (const family of familiesFor(text)) {
      const file = fileOf(family, code);
      if (file === undefined) continue;
      const name = nameOf(file, weight);
      const making = made.get(name) ?? make(file, weight);
      made.set(name, making);
      const font = await making;
      if (font) ready.set(name, font);
      if (font?.signs.has(code)) break;
    }
  }
}

/** The name of the font that writes a sign of a text, made ready before; undefined where none can. */
export function sliceFor(text: string, code: number, weight: number): string | undefined {
  for (const family of familiesFor(text)) {
    const file = fileOf(family, code);
    const name = file === undefined ? '' : nameOf(file, weight);
    if (ready.get(name)?.signs.has(code)) return name;
  }
  return undefined;
}

/** The font of a name that {@link sliceFor} gave, as the bytes of a file. */
export function madeFont(name: string): Buffer | undefined {
  return ready.get(name)?.bytes;
}
