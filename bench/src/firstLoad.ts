import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Bytes sent, Brotli-compressed, before a built page can run: the page itself, every script and style it names, and the
 * scripts those import at once. What is loaded later (`import(...)`) is left out.
 */
export function firstLoad(folder: string): number {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const named = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((match) => match[1] ?? '');
  const wanted = new Set(['index.html']);
  const visit = (name: string) => {
    if (wanted.has(name)) return;
    wanted.add(name);
    if (!name.endsWith('.js')) return;
    const script = readFileSync(join(folder, name), 'utf8');
    for (const [, imported = ''] of script.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) visit(imported);
  };
  named.forEach(visit);
  return [...wanted].reduce((sum, name) => {
    const compressed = join(folder, `${name}.br`);
    return sum + statSync(existsSync(compressed) ? compressed : join(folder, name)).size;
  }, 0);
}
