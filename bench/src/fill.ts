import pg from 'pg';

/* Rows put straight into the database, without chains: where only their number counts. */

/** Readings of a combination behind what it has: of its set-up, as nobody has so many, or of lots of 400, as a shop has. */
export async function fillCombination(
  client: pg.Client,
  combination: string,
  readings: number,
  as: 'set-up' | 'lots' = 'set-up',
): Promise<void> {
  const [slot, lot, own] =
    as === 'set-up'
      ? ["'run9/reading/' || n", 'NULL', "'run', 9, 'piece', n"]
      : [
          "'lot/' || (1000 + n / 400) || '/reading/' || (n % 400 + 1)",
          '1000 + n / 400',
          "'lot', 1000 + n / 400, 'piece', n % 400 + 1",
        ];
  await client.query("SET session_replication_role = 'replica'");
  for (let from = 0; from < readings; from += 100_000) {
    const to = Math.min(readings, from + 100_000);
    await client.query(
      `INSERT INTO journal (id, combination, seq, slot, kind, lot, body, verdict, limit_key, at, by_name, by_role, previous, hash)
       SELECT gen_random_uuid(), $1::uuid, c.count + n - $2::int, ${slot}, 'reading', ${lot},
         json_build_object('kind', 'reading', ${own}, 'force', 115 + (n % 97) / 10.0, 'typed', '118.4', 'unit', 'N',
           'mode', 'slid-out', 'note', '', 'confirmed', '[]'::json),
         '{"verdict":"holds","margin":33.4,"text":"Holds","force":85}', NULL, now() + n * interval '1 second', 'Odile',
         'technician', repeat('0', 64), repeat('0', 64)
       FROM chains c, generate_series($2::int + 1, $3::int) n WHERE c.name = 'journal/' || $1::text`,
      [combination, from, to],
    );
    await client.query("UPDATE chains SET count = count + $2 WHERE name = 'journal/' || $1::text", [
      combination,
      to - from,
    ]);
  }
  await client.query("SET session_replication_role = 'origin'");
  await client.query('VACUUM (ANALYZE) journal');
}

/** Combinations of one list with readings of lots, the same number each. */
export async function fillList(client: pg.Client, list: string, combinations: number, rows: number): Promise<void> {
  await client.query("SET session_replication_role = 'replica'");
  await client.query(
    'CREATE TEMP TABLE others AS SELECT gen_random_uuid() AS id, g FROM generate_series(1, $1) g'.replace(
      '$1',
      String(combinations),
    ),
  );
  await client.query(
    `INSERT INTO combinations (id, list, terminal, terminal_revision, wire, wire_revision, practice, practice_revision, pieces, place, class)
     SELECT id, $1, 'FL-RT-0406', 1, 'FL-W-0075', 1, 'house', 1, 400, 'dry', '2' FROM others`,
    [list],
  );
  const each = Math.ceil(rows / combinations);
  await client.query(
    "INSERT INTO chains (name, count, head) SELECT 'journal/' || id, $1, repeat('0', 64) FROM others",
    [each],
  );
  // Ten million rows go in faster without the indexes, which are made again as they were.
  const { rows: indexes } = await client.query<{ indexname: string; indexdef: string }>(
    "SELECT indexname, indexdef FROM pg_indexes WHERE tablename = 'journal' AND indexname NOT IN (SELECT conname FROM pg_constraint)",
  );
  for (const { indexname } of indexes) await client.query(`DROP INDEX ${indexname}`);
  for (let from = 0; from < combinations; from += 100) {
    await client.query(
      `INSERT INTO journal (id, combination, seq, slot, kind, lot, body, verdict, limit_key, at, by_name, by_role, previous, hash)
       SELECT gen_random_uuid(), o.id, n, 'lot/' || (n / 400 + 1) || '/reading/' || (n % 400 + 1), 'reading', n / 400 + 1,
         json_build_object('kind', 'reading', 'lot', n / 400 + 1, 'piece', n % 400 + 1, 'force', 118.4, 'typed', '118.4', 'unit', 'N',
           'mode', 'slid-out', 'note', '', 'confirmed', '[]'::json),
         '{"verdict":"holds","margin":33.4,"text":"Holds","force":85}', NULL, now(), 'Odile', 'technician', '', ''
       FROM others o, generate_series(1, $1) n WHERE o.g > $2 AND o.g <= $3`,
      [each, from, from + 100],
    );
  }
  for (const { indexdef } of indexes) await client.query(indexdef);
  await client.query('DROP TABLE others');
  await client.query("SET session_replication_role = 'origin'");
  await client.query('VACUUM (ANALYZE) journal');
}
