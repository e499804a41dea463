import type { Knex } from 'knex';
import type { LedgerName } from './ledger';

interface Subject {
  readonly subject: string;
  readonly state: unknown;
}

/** Reads the subjects of one ledger as they stand in their table, a portion at a time. */
type ReadSubjects = (db: Knex, which?: readonly string[]) => AsyncIterable<Subject>;

/** Rows read at a time. */
const PORTION = 1000;

/**
 * Subjects of one table. One description serves the deed that is written and the verification that reads it again.
 * @param sql the subject's name and its state as one JSON object, without WHERE
 */
const fromTable = (sql: string): ReadSubjects =>
  async function* (db, which) {
    if (which) {
      const { rows } = await db.raw<{ rows: Subject[] }>(`SELECT * FROM (${sql}) s WHERE s.subject = ANY(?)`, [
        which as string[],
      ]);
      yield* rows;
      return;
    }
    for (let after = ''; ;) {
      const { rows } = await db.raw<{ rows: Subject[] }>(
        `SELECT * FROM (${sql}) s WHERE s.subject COLLATE "C" > ? ORDER BY s.subject COLLATE "C" LIMIT ?`,
        [after, PORTION],
      );
      yield* rows;
      const last = rows.at(-1);
      if (!last || rows.length < PORTION) return;
      after = last.subject;
    }
  };

/* Instants are written with milliseconds in UTC, whatever the session's settings are. */
const at = (column: string) => `to_char(${column} AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;

const documents = (table: 'limit_tables' | 'look_sheets') =>
  fromTable(`SELECT document || '/' || revision || '/' || class AS subject, json_build_object(
    'status', status, 'body', body, 'draftedBy', drafted_by, 'releasedBy', released_by, 'releasedAt', ${at('released_at')},
    'withdrawnBy', withdrawn_by, 'withdrawnAt', ${at('withdrawn_at')}) AS state FROM ${table}`);

/** Everything that has a ledger, as it stands in its table. */
export const SUBJECTS: Readonly<Record<LedgerName, ReadSubjects>> = {
  parts: fromTable(`SELECT kind || '/' || part || '/' || revision AS subject, body AS state FROM parts`),
  limits: documents('limit_tables'),
  looks: documents('look_sheets'),
  // A check from before checks named their die says what it said then.
  'tool-checks': fromTable(`SELECT id::text AS subject, (jsonb_build_object('tool', tool, 'at', ${at('at')},
      'goPassed', go_passed, 'noGoStopped', no_go_stopped, 'by', by_name, 'setting', setting, 'cycles', cycles)
      || CASE WHEN die IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('die', die, 'nest', nest) END)::json AS state
    FROM tool_checks
    UNION ALL SELECT 'return/' || id, json_build_object('tool', tool, 'at', ${at('at')}, 'done', done, 'note', note,
      'by', by_name) FROM tool_returns`),
  // Somebody of one role, qualified by one date, says what people said before there could be more.
  people: fromTable(`SELECT id::text AS subject, (jsonb_build_object('name', name, 'role', role, 'active', active,
      'qualifiedUntil', qualified_until)
      || CASE WHEN more_roles = '{}' THEN '{}'::jsonb ELSE jsonb_build_object('moreRoles', more_roles) END
      || CASE WHEN qualifications IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('qualifications', qualifications) END)::json
      AS state FROM people`),
  lists:
    // A list nobody has said a day for or taken off the bench says what it said before either could be said.
    fromTable(`SELECT 'list/' || id AS subject, (jsonb_build_object('name', name, 'digest', digest, 'customer', customer)
      || CASE WHEN due IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('due', due) END
      || CASE WHEN archived_at IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('archivedAt', ${at('archived_at')},
        'archivedBy', archived_by) END
      || CASE WHEN priority = 1 THEN '{}'::jsonb ELSE jsonb_build_object('priority', priority) END
      || CASE WHEN cut_at IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('cutAt', ${at('cut_at')}, 'cutBy', cut_by)
        END)::json AS state FROM wire_lists
    -- A combination with one end says what it said before there could be two.
    UNION ALL SELECT 'combination/' || id, (jsonb_build_object('list', list, 'terminal', terminal, 'wire', wire,
      'practice', practice, 'pieces', pieces, 'place', place, 'class', class, 'customer', customer, 'demand', demand,
      'together', together, 'readIn', read_in, 'revisions', json_build_object('terminal', terminal_revision,
      'wire', wire_revision, 'practice', practice_revision))
      || CASE WHEN opposite::text = '[]' THEN '{}'::jsonb ELSE jsonb_build_object('opposite', opposite) END)::json
      AS state FROM combinations`),
  studies: fromTable(`SELECT 'study/' || id AS subject, json_build_object('name', name, 'combination', combination,
      'seed', seed, 'items', items, 'look', look, 'by', by_name, 'closed', closed_at IS NOT NULL) AS state FROM studies
    UNION ALL SELECT 'answer/' || id, json_build_object('study', study, 'person', person, 'round', round, 'item', item,
      'answer', answer, 'point', point) FROM study_answers`),
  baselines: fromTable(`SELECT id::text AS subject, json_build_object('chart', chart, 'body', body, 'note', note,
    'by', by_name) AS state FROM baselines`),
  gauges: fromTable(`SELECT id AS subject, body AS state FROM gauges`),
  photos: fromTable(`SELECT id::text AS subject, json_build_object('combination', combination, 'digest', digest,
    'width', width, 'height', height, 'size', size, 'small', encode(sha256(small), 'hex')) AS state FROM photos`),
  'foreign-records': fromTable(`SELECT id::text AS subject, json_build_object('digest', digest, 'shop', shop,
    'combination', combination, 'bytes', encode(sha256(bytes), 'hex')) AS state FROM foreign_records`),
  unsent:
    fromTable(`SELECT id::text AS subject, json_build_object('combination', combination, 'body', body, 'madeBy', made_by,
    'madeAt', ${at('made_at')}, 'act', act, 'why', why, 'at', ${at('at')}, 'by', by_name) AS state FROM unsent`),
  plan: fromTable(`SELECT 'floor/' || revision AS subject, json_build_object('body', body, 'by', by_name) AS state FROM floors
    UNION ALL SELECT 'given/' || revision, json_build_object('base', base, 'start', ${at('start')}, 'note', note, 'body', body,
      'by', by_name) FROM given_plans
    UNION ALL SELECT 'stock/' || id, json_build_object('kind', kind, 'part', part, 'reel', reel, 'what', what, 'amount', amount,
      'arrives', arrives, 'settles', settles, 'note', note, 'at', ${at('at')}, 'by', by_name) FROM stock_moves`),
  shop: fromTable(`SELECT 'shop' AS subject, (jsonb_build_object('id', id, 'name', name, 'isDemo', is_demo, 'site', site,
      'zone', zone)
      || CASE WHEN settings = '{}' THEN '{}'::jsonb ELSE jsonb_build_object('settings', settings) END
      || CASE WHEN logo IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('logo', encode(sha256(logo), 'hex')) END
      || CASE WHEN moved_in IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('movedIn', moved_in) END)::json
      AS state FROM shop`),
};
