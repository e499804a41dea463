import { pipeline, type Readable } from 'node:stream';
import { createGunzip } from 'node:zlib';

/** The bytes of a packed file, read when they are asked for; what is wrong with them is thrown to whoever asks. */
export async function* unpack(open: () => Readable): AsyncGenerator<Buffer> {
  const unpacked = createGunzip();
  // Faults come out of the reading below as well; here they only have to be heard.
  pipeline(open(), unpacked, () => undefined);
  for await (const bytes of unpacked) yield bytes as Buffer;
}
