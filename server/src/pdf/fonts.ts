import type * as fontkit from 'fontkit';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { madeFont, makeSlices, sliceFor } from './eastAsia';

const require = createRequire(import.meta.url);
const { resolve } = require;

/** Typefaces of a page, each in two weights. */
export type Face = 'text' | 'text-bold' | 'figures' | 'figures-bold';

const OWN = {
  text: '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next',
  figures: '@fontsource/saira-semi-condensed/files/saira-semi-condensed',
} as const;
const NOTO = '@fontsource/noto-sans';
/** Scripts a name may be written in that the shop's own fonts lack, each with its package. */
const SCRIPTS = [
  ...['latin', 'latin-ext', 'greek', 'greek-ext', 'cyrillic', 'cyrillic-ext', 'vietnamese', 'devanagari'].map(
    (script) => `${NOTO}/files/noto-sans-${script}`,
  ),
  ...['hebrew', 'arabic', 'thai'].map((script) => `${NOTO}-${script}/files/noto-sans-${script}-${script}`),
];
/** Signs of mathematics and arrows: in one weight, whatever stands beside them. */
const SIGNS = [
  '@fontsource/noto-sans-math/files/noto-sans-math-latin-400-normal.woff',
  '@fontsource/noto-sans-symbols/files/noto-sans-symbols-symbols-400-normal.woff',
];

const weightOf = (face: Face) => (face.endsWith('-bold') ? 600 : 400);

const files = new Map<Face, readonly string[]>();
/** Files a face is written from, the first that has a sign writing it; looked up once. */
function filesOf(face: Face): readonly string[] {
  const known = files.get(face);
  if (known) return known;
  const weight = weightOf(face);
  const own = OWN[face.startsWith('text') ? 'text' : 'figures'];
  const found = [
    `${own}-latin-${weight}-normal.woff`,
    `${own}-latin-ext-${weight}-normal.woff`,
    ...SCRIPTS.map((script) => `${script}-${weight}-normal.woff`),
    ...SIGNS,
  ].map((file) => resolve(file));
  files.set(face, found);
  return found;
}

const signs = new Map<string, ReadonlySet<number>>();
/** Code points a file has a sign for; read once. */
function signsOf(file: string): ReadonlySet<number> {
  let known = signs.get(file);
  if (!known) {
    // What reads fonts is read with the first of them, so that a start does not wait for it.
    const { openSync } = require('fontkit') as typeof fontkit;
    const font = openSync(file);
    known = new Set('characterSet' in font ? font.characterSet : []);
    signs.set(file, known);
  }
  return known;
}

/** What is written for a sign that no font here has. */
const UNKNOWN = '?';

/** Part of a text that one font writes. */
export interface Stretch {
  /** The font's file, or the name of one that was made ({@link madeFont}). */
  readonly file: string;
  readonly text: string;
}

/**
 * A text in stretches, each with the file of the font that has its signs: the shop's own as far as it goes, then the next
 * that can. A sign no font here has is written as '?', never as an empty box. Texts with signs of East Asia are made
 * ready before ({@link makeReady}).
 */
export function inFonts(face: Face, text: string): Stretch[] {
  const inOrder = filesOf(face);
  const [own = ''] = inOrder;
  const has = signsOf(own);
  // Nearly every text of a sheet is plain.
  if ([...text].every((sign) => has.has(sign.codePointAt(0) ?? 0))) return [{ file: own, text }];
  const stretches: { file: string; text: string }[] = [];
  for (const sign of text) {
    const code = sign.codePointAt(0) ?? 0;
    const last = stretches.at(-1);
    // A mark that stands on the letter before it stays with it where that font has it.
    const tried = last && !madeFont(last.file) && /\p{M}/u.test(sign) ? [last.file, ...inOrder] : inOrder;
    const file = tried.find((each) => signsOf(each).has(code)) ?? sliceFor(text, code, weightOf(face));
    const written = file === undefined ? UNKNOWN : sign;
    if (last?.file === (file ?? own)) last.text += written;
    else stretches.push({ file: file ?? own, text: written });
  }
  return stretches;
}

/** Makes ready what the texts of a page are written with: signs of East Asia come from fonts that are made when needed. */
export async function makeReady(texts: readonly { readonly face: Face; readonly text: string }[]): Promise<void> {
  for (const { face, text } of texts) {
    const codes = new Set([...text].map((sign) => sign.codePointAt(0) ?? 0));
    const missing = [...codes].filter((code) => !filesOf(face).some((file) => signsOf(file).has(code)));
    if (missing.length) await makeSlices(text, missing, weightOf(face));
  }
}

const FAMILIES = { text: 'Atkinson Hyperlegible Next', figures: 'Saira Semi Condensed' } as const;
let style: Promise<string> | null = null;

/** CSS that carries the shop's own fonts with a drawing, so that it looks alike wherever it is opened; read once. */
export function fontStyle(): Promise<string> {
  style ??= Promise.all(
    (['text', 'figures'] as const).flatMap((face) =>
      ([400, 600] as const).map(async (weight) => {
        const bytes = (await readFile(resolve(`${OWN[face]}-latin-${weight}-normal.woff2`))).toString('base64');
        return `@font-face{font-family:'${FAMILIES[face]}';font-weight:${weight};src:url(data:font/woff2;base64,${bytes}) format('woff2')}`;
      }),
    ),
  ).then((faces) => faces.join(''));
  return style;
}
