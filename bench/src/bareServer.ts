import Fastify from 'fastify';
import pg from 'pg';

/* The baseline of the reading figure: one bare Fastify route that does the same INSERT with pg, and nothing else. */

const pool = new pg.Pool({ connectionString: process.env['TUG_DATABASE_URL'], max: 10 });
await pool.query(`CREATE TABLE IF NOT EXISTS bare_journal (
  id uuid PRIMARY KEY, combination uuid NOT NULL, seq int NOT NULL, slot text NOT NULL, body json NOT NULL, verdict json,
  limit_key json, at timestamptz(3) NOT NULL, by_name text NOT NULL, by_role text NOT NULL, corrects uuid, why text,
  previous text NOT NULL, hash text NOT NULL, UNIQUE (combination, seq))`);

const INSERT = `INSERT INTO bare_journal (id, combination, seq, slot, body, verdict, limit_key, at, by_name, by_role, corrects, why, previous, hash)
  VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)`;
const HASH = '0'.repeat(64);
const VERDICT = JSON.stringify({
  verdict: 'holds',
  margin: 10.4,
  text: 'Holds: 10.4 N above the limit (10 %).',
  force: 108,
});
const LIMIT = JSON.stringify({ document: 'FL-SPEC-07', revision: 'C', class: 'standard' });

interface Entry {
  id: string;
  body: { piece: number };
  corrects: string | null;
  why: string | null;
}

const app = Fastify();
app.post<{ Params: { id: string }; Body: Entry }>('/api/combinations/:id/entries', async (request, reply) => {
  const { id, body, corrects, why } = request.body;
  const at = new Date().toISOString();
  await pool.query(INSERT, [
    id,
    request.params.id,
    body.piece,
    `reading/${body.piece}`,
    JSON.stringify(body),
    VERDICT,
    LIMIT,
    at,
    'Odile',
    'technician',
    corrects,
    why,
    HASH,
    HASH,
  ]);
  return reply.code(201).send({ ...request.body, at, hash: HASH });
});
/** The baseline of the bench list: the same rows by the same index, as they are. */
app.get<{ Querystring: { after: string } }>('/api/bare-lines', async (request, reply) => {
  const { rows } = await pool.query<{ number: string; line: string }>(
    `SELECT c.number, t.line::text AS line FROM combinations c JOIN standings t ON t.combination = c.id
      WHERE c.number > $1 ORDER BY c.number LIMIT 200`,
    [request.query.after],
  );
  const next = rows.length === 200 ? (rows.at(-1)?.number ?? null) : null;
  return reply
    .type('application/json; charset=utf-8')
    .send(`{"lines":[${rows.map((row) => row.line).join(',')}],"next":${next}}`);
});
await app.listen({ host: '127.0.0.1', port: Number(process.env['TUG_PORT']) });
process.stdout.write(`listening ${process.env['TUG_PORT']}\n`);
