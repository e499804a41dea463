import { connect } from '../db/connect';
import { rebuildStandings } from './rebuild';

/* npm run standings: works out where every combination stands once more, in the database named in TUG_DATABASE_URL. */

const db = connect(process.env['TUG_DATABASE_URL'] ?? '', 4);
const made = await rebuildStandings(db);
await db.destroy();
process.stdout.write(`${made} ${made === 1 ? 'combination' : 'combinations'} worked out from the journal.\n`);
