import type { Knex } from 'knex';

/**
 * The set-up in full: sleeves and seals as parts, the fields of all twelve families, who drafted and released a limit
 * table, what a tool check was tried at, several wires in one barrel. Rows that stand get the values they meant.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    ALTER TABLE parts DROP CONSTRAINT parts_kind_check;
    ALTER TABLE parts ADD CONSTRAINT parts_kind_check
      CHECK (kind IN ('wire', 'terminal', 'stripper', 'tool', 'practice', 'covering'));

    UPDATE parts SET body = (
      '{"shape": "ring", "mostWires": 1, "foldBack": false, "strandingClasses": [], "sealRange": null, "stamp": null,
        "trimFlush": false, "current": null, "voltage": null, "dieIndex": null, "barrelSize": null, "crimpHeights": [],
        "cavity": null}'::jsonb
      || body::jsonb
      || jsonb_build_object(
        'family', CASE body ->> 'family' WHEN 'bare-ring' THEN 'bare-terminal' WHEN 'insulated-ring' THEN 'insulated-terminal'
          ELSE body ->> 'family' END,
        'barrel', '{"growth": 0}'::jsonb || (body -> 'barrel')::jsonb,
        'slideOn', coalesce((
          SELECT jsonb_agg('{"kind": "sleeve", "wayRound": null}'::jsonb || item) FROM jsonb_array_elements((body -> 'slideOn')::jsonb) item
        ), '[]'::jsonb)
      ))::json WHERE kind = 'terminal';
    UPDATE parts SET body = (
      '{"station": null, "checkCycles": null, "gauge": null, "selector": [], "positioners": [], "insulationPositions": [],
        "changeMinutes": {"die": 6, "positioner": 2, "setting": 1}}'::jsonb
      || body::jsonb
      || jsonb_build_object('dies', (
        SELECT jsonb_agg(die || jsonb_build_object('nests', (
          SELECT jsonb_agg('{"index": null, "grips": "both"}'::jsonb || nest) FROM jsonb_array_elements(die -> 'nests') nest
        ))) FROM jsonb_array_elements((body -> 'dies')::jsonb) die
      )))::json WHERE kind = 'tool';
    UPDATE parts SET body = (
      '{"customer": null, "class": null, "base": null, "lay": "factory-lay", "lugBare": 3, "thinWire": "right-terminal",
        "twoGrips": "one-stroke", "spliceBites": "one-each-side", "brazedSeam": "opposite-the-seam", "looseInNest": "stop",
        "sealingHeat": "hot-air", "solder": "forbidden", "measuredPieces": 0, "secondPersonReleases": false,
        "own": ["lay", "brush", "gap", "thinWire", "twoGrips", "secondBite", "spliceBites", "brazedSeam", "looseInNest",
          "sealingHeat", "solder", "toolPolicy", "pullEvidence", "acceptance", "brushFixed", "windowShare", "lugBare",
          "edgeBand", "setUpPieces", "measuredPieces", "coverage", "confidence", "secondPersonReleases", "strandDamage"]}'::jsonb
      || body::jsonb)::json WHERE kind = 'practice';

    UPDATE limit_tables SET body = (
      '{"hold": null}'::jsonb || body::jsonb || jsonb_build_object('rows', (
        SELECT jsonb_agg('{"material": null, "percent": null}'::jsonb || line || jsonb_build_object('families', coalesce((
          SELECT jsonb_agg(CASE family WHEN 'bare-ring' THEN 'bare-terminal' WHEN 'insulated-ring' THEN 'insulated-terminal' ELSE family END)
          FROM jsonb_array_elements_text(line -> 'families') family
        ), '[]'::jsonb))) FROM jsonb_array_elements((body -> 'rows')::jsonb) line
      )))::json;
    ALTER TABLE limit_tables
      ADD COLUMN drafted_by text,
      ADD COLUMN released_by text,
      ADD COLUMN released_at timestamptz,
      ADD COLUMN withdrawn_by text,
      ADD COLUMN withdrawn_at timestamptz;
    UPDATE limit_tables SET drafted_by = by_name,
      released_by = CASE WHEN status <> 'draft' THEN by_name END, released_at = CASE WHEN status <> 'draft' THEN changed_at END,
      withdrawn_by = CASE WHEN status = 'withdrawn' THEN by_name END, withdrawn_at = CASE WHEN status = 'withdrawn' THEN changed_at END;
    ALTER TABLE limit_tables ALTER COLUMN drafted_by SET NOT NULL;

    ALTER TABLE tool_checks ADD COLUMN setting text, ADD COLUMN cycles int;

    ALTER TABLE wire_lists ADD COLUMN customer text;
    ALTER TABLE wire_list_rows
      ADD COLUMN joint_a text NOT NULL DEFAULT '',
      ADD COLUMN joint_b text NOT NULL DEFAULT '',
      ADD COLUMN demand_a json,
      ADD COLUMN demand_b json;
    ALTER TABLE combinations
      ADD COLUMN customer text,
      -- Other wires in the same barrel: [{"part", "revision"}].
      ADD COLUMN together json NOT NULL DEFAULT '[]',
      ADD COLUMN demand json NOT NULL DEFAULT '{"stud": null, "temperature": null, "current": null, "voltage": null}';

    -- What a tool made between two checks is found by its 'tool' entries.
    CREATE INDEX journal_tool ON journal ((body ->> 'tool'), at) WHERE body ->> 'kind' = 'tool';
    CREATE INDEX combinations_parts ON combinations (class, terminal, wire);
  `);
}

export async function down(): Promise<void> {
  throw new Error('This migration is not taken back: restore a copy from before it instead.');
}
