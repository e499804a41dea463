import { connect } from '../db/connect';
import { verifyStandings } from '../standing/verifyStandings';
import { verifyJournals, verifyShop, type Fault } from './verifyShop';

/* npm run verify: checks every chain of the database named in TUG_DATABASE_URL, goes on after a fault and names every one.
   TUG_SEAL='12 <hash>' checks that a seal from a record or certificate is among the shop's. */

const db = connect(process.env['TUG_DATABASE_URL'] ?? '', 2);
const [number, hash] = (process.env['TUG_SEAL'] ?? '').split(' ');
const known = number && hash ? { number: Number(number), hash } : null;
let [chains, entries, broken] = [0, 0, 0];
const tell = ({ name, chain, text }: Fault) => {
  broken += 1;
  process.stdout.write(`${name} (${chain}): ${text}\n`);
};
for await (const checked of verifyJournals(db, 0)) {
  chains += 1;
  entries += checked.entries;
  checked.faults.forEach(tell);
}
const shop = await verifyShop(db, known);
shop.faults.forEach(tell);
// Not evidence, but what everybody sees first: worked out from the journal, it has to say the same.
for await (const standing of verifyStandings(db)) tell(standing);
chains += shop.chains;
entries += shop.entries;
await db.destroy();
const { unsealed } = shop;
process.stdout.write(
  `${entries} entries in ${chains} chains: ${broken ? `${broken} ${broken === 1 ? 'fault' : 'faults'}` : 'every chain is whole'}` +
    `${unsealed.entries ? `; ${unsealed.entries} entries${unsealed.since ? ` since ${unsealed.since}` : ''} are not sealed yet` : ''}\n`,
);
process.exitCode = broken ? 1 : 0;
