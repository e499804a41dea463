import type { PracticeChoices } from './Practice';

type Rows = PracticeChoices['strandDamage'];

/** Allowed damage in words that {@link readStrandDamage} reads again; 'none' for the strict school. */
export function strandDamageText(rows: Rows): string {
  const lines = [...rows]
    .sort((a, b) => a.strandsUpTo - b.strandsUpTo)
    .map(({ strandsUpTo, nicked, cut }) => `up to ${strandsUpTo} strands: ${nicked} nicked, ${cut} cut`);
  return lines.length ? lines.join('; ') : 'none';
}

const LINE = /^(?:up to )?(\d{1,6})(?: strands)?\s*:\s*(\d{1,4})(?: nicked)?\s*[,/]\s*(\d{1,4})(?: cut)?$/i;

/**
 * Reads allowed damage: 'none', or lines with semicolons between, each for conductors of up to so many strands.
 * @example readStrandDamage('up to 30 strands: 1 nicked, 0 cut; 100: 3, 1')
 */
export function readStrandDamage(
  text: string,
): { readonly ok: true; readonly rows: Rows } | { readonly ok: false; readonly text: string } {
  const plain = text.trim();
  if (/^none$/i.test(plain)) return { ok: true, rows: [] };
  const rows: { strandsUpTo: number; nicked: number; cut: number }[] = [];
  for (const part of plain.split(';')) {
    const [, strandsUpTo, nicked, cut] = LINE.exec(part.trim()) ?? [];
    if (strandsUpTo === undefined) {
      return {
        ok: false,
        text: `'${part.trim().slice(0, 40)}' is not understood. Write 'none', or 'up to 30 strands: 1 nicked, 0 cut'.`,
      };
    }
    if (rows.some((row) => row.strandsUpTo === Number(strandsUpTo))) {
      return { ok: false, text: `${strandsUpTo} strands stand in it twice.` };
    }
    rows.push({ strandsUpTo: Number(strandsUpTo), nicked: Number(nicked), cut: Number(cut) });
  }
  return { ok: true, rows: rows.sort((a, b) => a.strandsUpTo - b.strandsUpTo) };
}
