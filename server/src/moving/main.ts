import { connect } from '../db/connect';
import { migrate } from '../db/migrate';
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { Refusal } from '../http/problems';
import { giveOnceWord } from '../people/store';
import { moveIn } from './moveIn';
import { unpack } from './unpack';
import { writeShop } from './writeShop';

/* npm run move -- out <file>: writes the whole shop of the database named in TUG_DATABASE_URL into one file.
   npm run move -- in <file>: takes one into a database whose shop is still empty; says how its first engineer comes in. */

const [way, file] = process.argv.slice(2).filter((word) => !word.startsWith('--'));
if ((way !== 'out' && way !== 'in') || !file) {
  process.stderr.write('Say which way and which file: npm run move -- out <file>, or npm run move -- in <file>\n');
  process.exit(2);
}
const PROGRAM = { by: 'Tug Mark', role: 'program' };
const db = connect(process.env['TUG_DATABASE_URL'] ?? '', 4);
try {
  await migrate(db);
  if (way === 'out') {
    await pipeline(Readable.from(writeShop(db, new Date())), createGzip(), createWriteStream(file));
    process.stdout.write(`The whole shop stands in ${file}. It has no passwords in it, and everything else.\n`);
  } else {
    const hash = createHash('sha256');
    for await (const piece of createReadStream(file)) hash.update(piece as Buffer);
    const unpacked = unpack(() => createReadStream(file));
    const about = { mover: null, doer: PROGRAM, digest: hash.digest('hex'), now: new Date() };
    const { name, counts } = await moveIn(db, unpacked, about, false);
    const { rows } = await db.raw<{ rows: { id: string }[] }>(
      `SELECT id FROM people WHERE active AND 'engineer' = ANY (role || more_roles) ORDER BY created_at LIMIT 1`,
    );
    const once = rows[0] && (await giveOnceWord(db, rows[0].id, PROGRAM));
    process.stdout.write(`${name} is moved in: ${counts.combinations} combinations, ${counts.entries} entries.\n`);
    if (once) process.stdout.write(`${once.name} comes in once with ${once.word}, and chooses a password then.\n`);
  }
} catch (error) {
  if (!(error instanceof Refusal)) throw error;
  process.stderr.write(`${error.problem.title} ${error.problem.detail}\n`);
  for (const { text } of error.problem.errors ?? []) process.stderr.write(`${text}\n`);
  process.exitCode = 1;
} finally {
  await db.destroy();
}
