import { spawn } from 'node:child_process';
import { setTimeout as wait } from 'node:timers/promises';
import { ROOT } from './paths.mjs';
import { Stop } from './say.mjs';

/** A server of one route and no database: what Node.js and Fastify take to listen. */
const BARE = `import('fastify').then(({ default: fastify }) => {
  const app = fastify();
  app.get('/', () => 'up');
  return app.listen({ host: '127.0.0.1', port: 0 });
}).then((address) => console.log('up: ' + address));`;

/**
 * Times `npm start` in this checkout, from the command to its address, and a bare Fastify server in turn.
 * @param rounds how many of each are counted; the first start, which may build, is not
 * @returns milliseconds of each, in order
 */
export async function timeSecondStart(rounds) {
  const times = { ours: [], bare: [] };
  await timeToUp('npm', ['start']);
  for (let round = 0; round < rounds; round++) {
    times.bare.push(await timeToUp(process.execPath, ['-e', BARE]));
    times.ours.push(await timeToUp('npm', ['start']));
  }
  return times;
}

async function timeToUp(command, args) {
  const started = performance.now();
  const child = spawn(command, args, { cwd: ROOT, detached: true, stdio: ['ignore', 'pipe', 'inherit'] });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  let said = '';
  const isUp = await new Promise((resolve) => {
    child.stdout.on('data', (chunk) => {
      said += chunk;
      if (/up: http/.test(said)) resolve(true);
    });
    void ended.then(() => resolve(false));
  });
  const milliseconds = performance.now() - started;
  if (!isUp) throw new Stop(`npm start ended before it was up:\n${said}`);
  // It still says who can sign in.
  await wait(300);
  process.kill(-child.pid, 'SIGINT');
  await ended;
  return milliseconds;
}
