/* Compares what the server said it kept with what the database holds: there, once, at its place, with its hash and its
   force, in the order it was said. */

/**
 * @param url of the database
 * @param kept as the stations wrote it down
 * @param least how many entries have to have been kept for the drill to mean anything
 * @returns faults in words; empty when all is there
 */
export async function compare(url, kept, least) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const combinations = [...new Set(kept.map((entry) => entry.combination))];
  const { rows } = await client.query(
    `SELECT id, combination, seq, slot, hash, corrects, body ->> 'force' AS force, body ->> 'piece' AS piece
       FROM journal WHERE combination = ANY($1)`,
    [combinations],
  );
  await client.end();
  const faults = [];
  const byId = new Map(rows.map((row) => [row.id, row]));
  const last = new Map();
  for (const { id, combination, seq, hash, force, piece } of kept) {
    const row = byId.get(id);
    const what = `entry ${id} (${combination}, piece ${piece})`;
    if (!row) {
      faults.push(`lost: ${what} was told kept at ${seq} and is not there`);
      continue;
    }
    if (row.combination !== combination) faults.push(`moved: ${what} stands in ${row.combination}`);
    if (row.seq !== seq) faults.push(`moved: ${what} was told kept at ${seq} and stands at ${row.seq}`);
    if (row.hash !== hash) faults.push(`changed: ${what} has another hash than was told`);
    if (force !== null && Number(row.force) !== force) {
      faults.push(`changed: ${what} was sent with ${force} N and stands with ${row.force} N`);
    }
    if (piece !== null && Number(row.piece) !== piece) faults.push(`moved: ${what} stands as piece ${row.piece}`);
    if (seq <= (last.get(combination) ?? 0)) faults.push(`order: ${what} was told after an entry of a later place`);
    last.set(combination, seq);
  }
  const slots = new Set();
  for (const { combination, slot, corrects } of rows) {
    const key = `${combination} ${slot} ${corrects}`;
    if (slots.has(key)) faults.push(`doubled: ${slot} of ${combination}`);
    slots.add(key);
  }
  if (kept.length < least) faults.push(`too few: ${kept.length} entries were kept, at least ${least} are needed`);
  return faults;
}

/** Faults of the chains, as the application's own verification tells them. */
export async function chainFaults(address, cookie) {
  const faults = [];
  for (let after = 0; after !== null;) {
    const report = await (await fetch(`${address}/api/chains?after=${after}`, { headers: { cookie } })).json();
    faults.push(...report.breaks.map(({ name, text }) => `chain: ${name}: ${text}`));
    after = report.next;
  }
  return faults;
}
