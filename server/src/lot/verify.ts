import { connect } from '../db/connect';
import { verifyChains } from './verifyChains';

/* npm run verify: checks every chain of the database named in TUG_DATABASE_URL. */

const db = connect(process.env['TUG_DATABASE_URL'] ?? '', 2);
let chains = 0;
let entries = 0;
let broken = 0;
for (let after: number | null = 0; after !== null;) {
  const report = await verifyChains(db, after, 100);
  chains += report.chains;
  entries += report.entries;
  broken += report.breaks.length;
  for (const { name, combination, text } of report.breaks) process.stdout.write(`${name} (${combination}): ${text}\n`);
  after = report.next;
}
await db.destroy();
process.stdout.write(
  `${entries} entries in ${chains} journals: ${broken ? `${broken} broken` : 'every chain is whole'}\n`,
);
process.exitCode = broken ? 1 : 0;
