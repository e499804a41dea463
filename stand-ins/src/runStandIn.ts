import { readFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';

/** What was given on the command line; `--help` prints the help and ends. */
export function readOptions(help: string): { args: readonly string[]; option: (name: string) => number | undefined } {
  const args = process.argv.slice(2);
  if (args.includes('--help')) {
    process.stdout.write(`${help}\n`);
    process.exit(0);
  }
  return {
    args,
    option: (name) => {
      const at = args.indexOf(`--${name}`);
      return at < 0 ? undefined : Number(args[at + 1]);
    },
  };
}

/** Begins to listen and says on which port; ends with a word where that is taken. */
export async function announce(what: string, device: { listen: () => Promise<number> }): Promise<void> {
  try {
    process.stdout.write(`listening ${await device.listen()}\n`);
  } catch (error) {
    process.stderr.write(`The ${what}'s port is taken: ${String(error)}\n`);
    process.exit(1);
  }
  if (process.env['TUG_ENDS_WITH_PARENT'] === '1') process.stdin.once('close', () => process.exit(0)).resume();
}

/**
 * Serves a panel in the browser.
 * @param page file beside this one
 * @param posted answers what the panel sends; false where it sends something else
 */
export function servePanel(
  port: number | undefined,
  page: string,
  posted: (pathname: string, said: URLSearchParams, response: ServerResponse) => boolean,
): void {
  if (port === undefined) return;
  const shown = readFileSync(new URL(page, import.meta.url));
  createServer((request: IncomingMessage, response) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://panel');
    if (request.method === 'POST' && posted(pathname, searchParams, response)) return;
    response.writeHead(200, {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy':
        "default-src 'none'; script-src 'unsafe-inline'; style-src 'unsafe-inline'; connect-src 'self'",
    });
    response.end(shown);
  })
    .on('error', (error) => process.stderr.write(`The panel's port is taken: ${String(error)}\n`))
    .listen(port, '127.0.0.1');
}
