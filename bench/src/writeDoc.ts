import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format, resolveConfig } from 'prettier';

/** Writes a page of docs as the formatter would leave it, so that it is never found wanting by the check of formats. */
export async function writeDoc(name: string, lines: readonly string[]): Promise<void> {
  const file = fileURLToPath(new URL(`../../docs/${name}`, import.meta.url));
  const options = await resolveConfig(file);
  writeFileSync(file, await format(lines.join('\n'), { ...options, filepath: file }));
}
