import { spawn, spawnSync } from 'node:child_process';
import { appendFileSync } from 'node:fs';
import { ROOT } from './paths.mjs';

/** Runs a command to its end; gives its exit code and all it printed. */
export function capture(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', maxBuffer: 64 * 1024 * 1024, ...options });
  return {
    code: done.status ?? 1,
    out: `${done.stdout ?? ''}${done.stderr ?? ''}${done.error ? done.error.message : ''}`,
  };
}

/** Runs a command in the background to its end, keeping what it prints; a log file gets it too when named. */
export function follow(command, args, { log, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let out = '';
    const take = (chunk) => {
      out += chunk;
      if (log) appendFileSync(log, chunk);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', (error) => resolve({ code: 1, out: `${out}${error.message}` }));
    child.on('close', (code) => resolve({ code: code ?? 1, out }));
  });
}

export const isRoot = () => process.getuid?.() === 0;

/** Whether a program is on the path. */
export const has = (program) => capture('sh', ['-c', `command -v ${program}`]).code === 0;
