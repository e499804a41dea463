import { spawn } from 'node:child_process';
import { ROOT } from '../lib/paths.mjs';

/**
 * Two people at real pages, who type readings by keys while the database comes and goes (e2e/src/typeThroughOutages.ts).
 * finish() lets their outboxes empty and gives what is not on record as it was typed.
 */
export function startBrowsers(address) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'e2e/src/typeThroughOutages.ts', address], {
    cwd: ROOT,
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  let said = '';
  child.stdout.on('data', (chunk) => (said += chunk));
  const until = (word) =>
    new Promise((resolve, reject) => {
      const look = setInterval(() => {
        if (said.includes(word)) {
          clearInterval(look);
          resolve();
        }
      }, 100);
      child.once('exit', () => {
        clearInterval(look);
        if (said.includes(word)) resolve();
        else reject(new Error(`the browsers ended before they were ${word}`));
      });
    });
  return until('typing').then(() => ({
    count: 2,
    told: () => Number(/typed (\d+)/.exec(said)?.[1] ?? 0),
    finish: async () => {
      child.stdin.write('finish\n');
      await until('finished');
      return [...said.matchAll(/^fault: (.*)$/gm)].map((match) => `browser: ${match[1]}`);
    },
    // It closes its browsers by itself when nobody talks to it any more.
    close: () => child.stdin.destroy(),
  }));
}
