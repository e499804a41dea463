/** Asks as a browser does. @returns the answer in the portions it comes in */
async function ask(address: string, cookie: string): Promise<AsyncIterable<Uint8Array>> {
  const answer = await fetch(address, { headers: { cookie } });
  if (!answer.ok) throw new Error(`${address}: ${answer.status} ${await answer.text()}`);
  return answer.body as unknown as AsyncIterable<Uint8Array>;
}

/** Reads an answer to its end. @returns ms to its last byte, and bytes */
export async function readAll(address: string, cookie: string, look: () => void = () => undefined) {
  const before = performance.now();
  let bytes = 0;
  for await (const chunk of await ask(address, cookie)) {
    bytes += chunk.length;
    look();
  }
  return { last: performance.now() - before, bytes };
}

/** Reads an answer until it begins. @returns ms */
export async function firstByte(address: string, cookie: string): Promise<number> {
  const before = performance.now();
  for await (const chunk of await ask(address, cookie)) if (chunk.length) break;
  return performance.now() - before;
}
