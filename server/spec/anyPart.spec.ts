import { limitTableSchema, practiceSchema } from '@tug-mark/contract';
import {
  asDrawn,
  computeSetUp,
  drawPieceEnd,
  drawPieceSide,
  drawSheet,
  faultsOf,
  judgeCombination,
  NEST_PROFILES,
  NO_DEMAND,
  spoil,
  type LimitTable,
  type Practice,
  type SetUpContext,
  type SheetInput,
  type Stripper,
  type Terminal,
  type Tool,
  type Wire,
  stripperSchema,
  terminalSchema,
  toolSchema,
  wireSchema,
} from '@tug-mark/core';
import fc from 'fast-check';
import { z } from 'zod';

/* Whatever the contract lets into a cabinet can be set up: nothing throws, and no number of the answer is none.
   TUG_CASES sets how many; npm run inputs makes 100,000. */

const CASES = Number(process.env['TUG_CASES'] ?? 400);

type Schema = Record<string, unknown>;

/** Values a JSON schema describes, the ends of its ranges among them. */
function anyOf(schema: Schema): fc.Arbitrary<unknown> {
  const options = (schema['anyOf'] ?? schema['oneOf']) as Schema[] | undefined;
  if (options) return fc.oneof(...options.map(anyOf));
  if ('const' in schema) return fc.constant(schema['const']);
  if (schema['enum']) return fc.constantFrom(...(schema['enum'] as unknown[]));
  switch (schema['type']) {
    case 'null':
      return fc.constant(null);
    case 'boolean':
      return fc.boolean();
    case 'integer':
    case 'number':
      return anyNumber(schema);
    case 'array': {
      const min = (schema['minItems'] as number | undefined) ?? 0;
      return fc.array(anyOf(schema['items'] as Schema), { minLength: min, maxLength: min + 2 });
    }
    case 'object': {
      const properties = schema['properties'] as Record<string, Schema>;
      const required = (schema['required'] ?? []) as string[];
      return fc.record(Object.fromEntries(Object.entries(properties).map(([key, value]) => [key, anyOf(value)])), {
        requiredKeys: required,
      });
    }
    default:
      return anyText(schema);
  }
}

function anyNumber(schema: Schema): fc.Arbitrary<number> {
  const above = schema['exclusiveMinimum'] as number | undefined;
  const least = (schema['minimum'] as number | undefined) ?? (above === undefined ? 0 : above + 1e-3);
  const most = Math.max(least, Math.min((schema['maximum'] as number | undefined) ?? 400, 400));
  if (schema['type'] === 'integer') {
    const from = Math.ceil(Math.max(least, above === undefined ? least : above + 1));
    return fc.integer({ min: from, max: Math.max(from, Math.floor(most)) });
  }
  // Sizes of the trade most of the time, and whatever is allowed.
  const usual = fc.double({ min: least, max: Math.min(most, least + 12), noNaN: true, noDefaultInfinity: true });
  return fc.oneof(
    usual,
    usual,
    fc.double({ min: least, max: most, noNaN: true, noDefaultInfinity: true }),
    fc.constantFrom(least, most),
  );
}

function anyText(schema: Schema): fc.Arbitrary<string> {
  const pattern = schema['pattern'] as string | undefined;
  if (schema['format'] === 'date') return fc.constantFrom('2020-01-01', '2026-11-25', '2030-12-31');
  if (schema['format'] === 'date-time') return fc.constantFrom('2026-11-25T06:00:00.000Z', '2026-11-20T06:00:00.000Z');
  if (pattern) return fc.stringMatching(new RegExp(pattern)).filter((text) => text.length < 60);
  return fc.constantFrom('A', 'B-1', 'M4', '2-5', '14-16', 'ring M4');
}

const parts = <T>(schema: z.ZodType<T>): fc.Arbitrary<T> =>
  anyOf(z.toJSONSchema(schema, { io: 'output', unrepresentable: 'any' }) as Schema)
    .map((value) => schema.safeParse(value))
    .filter((read) => read.success)
    .map((read) => read.data as T);

const terminals = parts<Terminal>(terminalSchema as unknown as z.ZodType<Terminal>);
const wires = parts<Wire>(wireSchema as unknown as z.ZodType<Wire>);

/** Where a number of an answer is none. */
function nonNumbers(value: unknown, path: string, found: string[] = [], seen = new Set<unknown>()): string[] {
  if (typeof value === 'number' && !Number.isFinite(value)) found.push(`${path}: ${value}`);
  if (typeof value === 'string' && /\b(NaN|Infinity|undefined)\b/.test(value)) found.push(`${path}: ${value}`);
  if (typeof value !== 'object' || value === null || seen.has(value)) return found;
  seen.add(value);
  const entries = value instanceof Map ? [...value.entries()] : Object.entries(value);
  for (const [key, each] of entries) nonNumbers(each, `${path}.${String(key)}`, found, seen);
  return found;
}

describe('Whatever the contract lets into a cabinet', () => {
  it('is set up, judged and drawn without a fault, and no number of it is none', () => {
    const now = '2026-11-25T12:00:00.000Z';
    let made = 0;
    fc.assert(
      fc.property(
        terminals,
        fc.array(wires, { minLength: 1, maxLength: 2 }),
        parts<Practice>(practiceSchema as unknown as z.ZodType<Practice>),
        fc.array(parts<Stripper>(stripperSchema as unknown as z.ZodType<Stripper>), { minLength: 0, maxLength: 2 }),
        fc.array(parts<Tool>(toolSchema as unknown as z.ZodType<Tool>), { maxLength: 2 }),
        parts<LimitTable>(limitTableSchema),
        (terminal, [wire, ...together], practice, strippers, tools, limit) => {
          if (!wire) return;
          const revisions = { terminal: 1, wire: 1, together: together.map(() => 1), practice: 1 };
          // A nest of each profile for it, so that most of them come as far as a finished piece.
          const listed = tools.map((tool) => ({
            ...tool,
            calibrationUntil: '2030-12-31',
            cycles: 0,
            positioners: [],
            dies: tool.dies.map((die) => ({
              ...die,
              nests: die.nests.flatMap((nest) =>
                NEST_PROFILES.map((profile) => ({
                  ...nest,
                  id: `${nest.id} ${profile}`,
                  profile,
                  index: terminal.dieIndex,
                  area: { min: 0, max: 1e9 },
                  terminals: [terminal.part],
                })),
              ),
            })),
          }));
          const context: SetUpContext = {
            zone: 'UTC',
            terminal,
            wire,
            ...{ together, opposite: together },
            use: { ...NO_DEMAND, place: 'wet' },
            class: limit.class,
            practice,
            strippers,
            tools: listed,
            checks: [],
            returns: [],
            limits: [{ ...limit, status: 'released', effectiveFrom: '2020-01-01', effectiveUntil: null }],
            looks: [],
            cabinet: [terminal],
            revisions,
            newest: revisions,
          };
          const setUp = computeSetUp(context, [], now);
          const judgement = judgeCombination(setUp, [], context, now);
          const about = { list: 'L', terminal: terminal.part, wire: wire.part, pieces: 4 };
          const shop = { name: 'Shop', isDemo: false };
          const pages = drawSheet(
            { shop, about, context, setUp, judgement, link: 'http://shop', printedAt: 'now' } as SheetInput,
            'A4',
          );
          const look = setUp.look;
          if (look) made += 1;
          const seen = look
            ? [...faultsOf(look).map((fault) => spoil(fault, asDrawn(look), look, 'wrong')), asDrawn(look)]
            : [];
          const drawn = seen.map(
            (piece) => look && [drawPieceSide(look, piece, null), drawPieceEnd(look, piece, null)],
          );
          expect(nonNumbers({ setUp: { ...setUp, look: null }, judgement, pages, drawn }, '')).toEqual([]);
        },
      ),
      { numRuns: CASES },
    );
    // Enough of them come as far as a finished piece.
    expect(made).toBeGreaterThan(CASES / 20);
  });
});
