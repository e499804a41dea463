import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Bytes sent, Brotli-compressed, before a built page can run: the page itself and every script and style it names. */
export function firstLoad(folder: string): number {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const named = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((match) => match[1] ?? '');
  return ['index.html', ...new Set(named)].reduce((sum, name) => {
    const compressed = join(folder, `${name}.br`);
    return sum + statSync(existsSync(compressed) ? compressed : join(folder, name)).size;
  }, 0);
}
