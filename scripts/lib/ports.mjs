import { connect, createServer } from 'node:net';
import { Stop } from './say.mjs';

/** Whether a loopback port can be listened on. */
export function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen({ port, host: '127.0.0.1' }, () => probe.close(() => resolve(true)));
  });
}

/** The first free port from `first` on. */
export async function freePort(first, tries = 50) {
  for (let port = first; port < first + tries; port++) if (await isFree(port)) return port;
  throw new Stop(`None of the ports ${first} to ${first + tries - 1} is free. Close what uses them and run it again.`);
}

/** Whether something accepts connections on a loopback port. */
export function answers(port) {
  return new Promise((resolve) => {
    const probe = connect({ port, host: '127.0.0.1' });
    probe.once('connect', () => {
      probe.destroy();
      resolve(true);
    });
    probe.once('error', () => resolve(false));
  });
}
