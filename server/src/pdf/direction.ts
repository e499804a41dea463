import bidiFactory from 'bidi-js';

const bidi = bidiFactory();
/** Letters of scripts that are written from right to left, and marks that turn the direction. */
const TURNS = /[\u0590-\u08ff\u200f\u202b\u202e\u2067\ufb1d-\ufdff\ufe70-\ufeff]/;

/** Whether a text has letters whose font writes them from the right. */
export const turns = (text: string): boolean => TURNS.test(text);

/** A part of a text that runs one way. */
export interface Run {
  readonly text: string;
  readonly isFromRight: boolean;
}

/**
 * A line of text in the order it stands on paper, left to right, by the Unicode bidirectional algorithm (UAX 9, rules L2 and
 * L4): each run keeps its letters in the order they are read, brackets in it turned where it runs from the right.
 */
export function inDrawnOrder(text: string): Run[] {
  if (!turns(text)) return [{ text, isFromRight: false }];
  const embedding = bidi.getEmbeddingLevels(text);
  const { levels } = embedding;
  const mirrored = bidi.getMirroredCharactersMap(text, levels);
  const runs: { level: number; letters: string[] }[] = [];
  let before = -2;
  for (const i of bidi.getReorderedIndices(text, embedding)) {
    const level = levels[i] ?? 0;
    const letter = mirrored.get(i) ?? text.charAt(i);
    const last = runs.at(-1);
    if (last?.level !== level || Math.abs(i - before) !== 1) runs.push({ level, letters: [letter] });
    else if (level % 2) last.letters.unshift(letter);
    else last.letters.push(letter);
    before = i;
  }
  return runs.map(({ level, letters }) => ({ text: letters.join(''), isFromRight: level % 2 === 1 }));
}
