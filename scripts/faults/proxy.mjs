import { createServer } from 'node:http';

/* Stands between stations and server and spoils one entry in a hundred, so that the drill can show that it would notice. */

/**
 * @param address of the server
 * @param fault 'dropped': told kept and never passed on; 'other-force': passed on with another force
 */
export function startProxy(address, fault) {
  let count = 0;
  const server = createServer((request, response) => {
    const chunks = [];
    request.on('data', (chunk) => chunks.push(chunk));
    request.on('end', () => {
      void pass(Buffer.concat(chunks).toString('utf8'));
    });
    const pass = async (text) => {
      try {
        const entry = JSON.parse(text);
        const spoil = entry.body.kind === 'reading' && ++count % 100 === 0;
        const answerWith = (status, said) => {
          response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(said));
        };
        if (spoil && fault === 'dropped') {
          answerWith(201, { ...entry, seq: entry.body.piece + 1, hash: 'f'.repeat(64) });
          return;
        }
        const force = entry.body.force + 7;
        const sent =
          spoil && fault === 'other-force' ? { ...entry, body: { ...entry.body, force, typed: String(force) } } : entry;
        const answer = await fetch(`${address}${request.url}`, {
          method: request.method,
          headers: { 'content-type': 'application/json', cookie: request.headers.cookie },
          body: JSON.stringify(sent),
        });
        answerWith(answer.status, await answer.json());
      } catch {
        response.destroy();
      }
    };
  });
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      resolve({ address: `http://127.0.0.1:${server.address().port}`, close: () => server.close() });
    });
  });
}
