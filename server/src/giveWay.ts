import { existsSync, readdirSync } from 'node:fs';
import { setPriority } from 'node:os';

const THREADS = '/proc/self/task';

/**
 * Lowers the priority of this process. On Linux each thread has its own, those that collect garbage too; threads begun later
 * take theirs from the one that begins them.
 */
export function giveWay(priority: number): void {
  for (const id of existsSync(THREADS) ? readdirSync(THREADS) : [0]) setPriority(Number(id), priority);
}
