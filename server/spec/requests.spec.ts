import { API, isFile, type Route } from '@tug-mark/contract';
import { random } from '@tug-mark/core';
import { z } from 'zod';
import { FRESH, reading, Shop, TAKE_TOOL, type Visitor } from './harness';

/* Requests made from the schemas themselves, right and wrong in every way we could think of: none may end in a 500.
   TUG_REQUESTS sets how many; npm run requests makes 20,000. */

const REQUESTS = Number(process.env['TUG_REQUESTS'] ?? 2000);
const SEED = Number(process.env['TUG_SEED'] ?? 20261126);

const NASTY_TEXTS = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\udfff\ud800',
  '__proto__',
  'constructor',
  "'; DROP TABLE journal; --",
  '=1+1',
  '\u202e',
  'x'.repeat(5000),
  '%00',
  '../../etc',
  'null',
  '0',
  '-1',
  '1e999',
  '2026-02-30',
  '9999-12-31',
  'NaN',
];
const NASTY_NUMBERS = [
  0,
  -0,
  -1,
  0.1,
  1e-320,
  2 ** 31,
  2 ** 31 - 1,
  -(2 ** 31),
  2 ** 53,
  1e21,
  1.7976931348623157e308,
  -1e308,
];

/** Stands for a value nested 5,000 deep, which no JSON.stringify can write. */
const DEEP = '@@deep@@';
const deepened = (json: string) => json.replaceAll(`"${DEEP}"`, `${'['.repeat(5000)}${']'.repeat(5000)}`);

type Schema = Record<string, unknown> & { $defs?: Record<string, Schema> };

class Maker {
  private readonly next = random(SEED);

  chance = (share: number) => this.next() < share;
  pick = <T>(from: readonly T[]): T => from[Math.floor(this.next() * from.length)] as T;
  int = (from: number, to: number) => from + Math.floor(this.next() * (to - from + 1));

  uuid(): string {
    const hex = () => Math.floor(this.next() * 16).toString(16);
    return 'xxxxxxxx-xxxx-7xxx-8xxx-xxxxxxxxxxxx'.replace(/x/g, hex);
  }

  /** A value of a JSON Schema: as it asks, or, once in a while, not. */
  value(schema: Schema, defs: Record<string, Schema>, known: readonly string[], depth = 0): unknown {
    if (this.chance(0.02)) return this.pick<unknown>([null, [], {}, true, ...NASTY_TEXTS, ...NASTY_NUMBERS, DEEP]);
    const { $ref } = schema;
    if (typeof $ref === 'string') return this.value(defs[$ref.split('/').at(-1) ?? ''] ?? {}, defs, known, depth + 1);
    const options = (schema['anyOf'] ?? schema['oneOf']) as Schema[] | undefined;
    if (options) return this.value(this.pick(options), defs, known, depth + 1);
    if ('const' in schema) return schema['const'];
    if (Array.isArray(schema['enum'])) return this.pick(schema['enum'] as unknown[]);
    switch (schema['type']) {
      case 'object': {
        const properties = (schema['properties'] ?? {}) as Record<string, Schema>;
        const required = (schema['required'] ?? []) as string[];
        const made: Record<string, unknown> = {};
        for (const [name, inner] of Object.entries(properties)) {
          const wanted = required.includes(name);
          if (this.chance(wanted ? 0.99 : 0.4)) made[name] = this.value(inner, defs, known, depth + 1);
        }
        if (this.chance(0.02)) made[this.pick(NASTY_TEXTS)] = this.pick(NASTY_TEXTS);
        return made;
      }
      case 'array': {
        const items = (schema['items'] ?? {}) as Schema;
        const many = depth > 6 ? 0 : this.pick([0, 1, 1, 2, 3]);
        return Array.from({ length: many }, () => this.value(items, defs, known, depth + 1));
      }
      case 'integer':
      case 'number':
        return this.number(schema);
      case 'boolean':
        return this.chance(0.5);
      case 'null':
        return null;
      case 'string':
        return this.text(schema, known);
      default:
        return this.pick<unknown>([null, 'x', 1, {}, []]);
    }
  }

  private number(schema: Schema): number {
    if (this.chance(0.06)) return this.pick(NASTY_NUMBERS);
    const least = Number(schema['minimum'] ?? schema['exclusiveMinimum'] ?? 0);
    const most = Math.min(Number(schema['maximum'] ?? least + 200), least + 1e6);
    return schema['type'] === 'integer'
      ? this.int(Math.ceil(least), Math.floor(most))
      : least + this.next() * (most - least);
  }

  private text(schema: Schema, known: readonly string[]): string {
    if (this.chance(0.06)) return this.pick(NASTY_TEXTS);
    switch (schema['format']) {
      case 'uuid':
        return this.chance(0.5) ? this.pick(known) : this.uuid();
      case 'date':
        return `20${this.int(20, 30)}-${String(this.int(1, 12)).padStart(2, '0')}-${String(this.int(1, 28)).padStart(2, '0')}`;
      case 'date-time':
        return new Date(this.int(0, 4e12)).toISOString();
      default:
        return this.pick([
          'A',
          'HT-11',
          'FL-RT-0406',
          'FL-W-0100',
          '1',
          '2',
          'mark',
          'seam',
          'slid-out',
          '118.4',
          'x'.repeat(this.int(1, 60)),
        ]);
    }
  }
}

const schemaOf = (type: z.ZodType): Schema => z.toJSONSchema(type, { io: 'input', unrepresentable: 'any' });

describe('A request made from the contract', () => {
  it(`never ends in a fault, ${REQUESTS} of them, by every role`, async () => {
    const shop = await Shop.open();
    const visitors: Visitor[] = [];
    for (const name of ['Odile', 'Ines', 'Marek', 'Tove']) visitors.push(await shop.signIn(name));
    const [odile] = visitors as [Visitor];
    const { id } = await odile.combination(...FRESH);
    await odile.kept(id, TAKE_TOOL);
    const kept = await odile.kept(id, reading(1, 118.4));
    const { rows } = await shop.db.raw<{ rows: { id: string }[] }>(
      'SELECT id FROM combinations UNION SELECT id FROM photos UNION SELECT id FROM traces UNION SELECT id FROM studies',
    );
    const known = [id, kept.id, ...rows.map((row) => row.id)];
    const maker = new Maker();
    // Checking a password takes its time, and a stream does not end.
    const slow = ['signIn', 'makeFirstEngineer', 'addPerson'];
    const routes = (Object.values(API) as readonly Route[]).filter(
      ({ id: name }) => name !== 'listen' && name !== 'signOut',
    );
    const schemas = new Map(
      routes.map((route) => [
        route.id,
        {
          params: route.params && schemaOf(route.params),
          query: route.query && schemaOf(route.query),
          body: route.body && !isFile(route.body) ? schemaOf(route.body) : undefined,
        },
      ]),
    );
    const asText = (value: unknown) => (typeof value === 'string' ? value : (JSON.stringify(value) ?? ''));
    const byStatus = new Map<number, number>();
    for (let i = 0; i < REQUESTS; i++) {
      // What puts things on record is asked most.
      const route = maker.chance(0.3) ? API.putEntry : maker.pick(routes);
      if (slow.includes(route.id) && maker.chance(0.9)) continue;
      const { params, query, body } = schemas.get(route.id) ?? {};
      const make = (schema: Schema) => maker.value(schema, schema.$defs ?? {}, known);
      const filled = params ? (make(params) as Record<string, unknown> | null) : {};
      const encode = (text: string) => encodeURIComponent(text.replace(/\p{Cs}/gu, ''));
      let url = `/api${route.path.replace(/:(\w+)/g, (_, name: string) => encode(asText(filled?.[name] ?? 'x').slice(0, 300)))}`;
      const asked = query ? make(query) : null;
      if (asked && typeof asked === 'object') {
        url += `?${Object.entries(asked)
          .map(([name, value]) => `${encode(name)}=${encode(asText(value).slice(0, 300))}`)
          .join('&')}`;
      }
      const sent = route.body
        ? isFile(route.body)
          ? asText(maker.pick(NASTY_TEXTS))
          : deepened(JSON.stringify(body && make(body)))
        : undefined;
      const kind = isFile(route.body) ? maker.pick(route.body.file) : 'application/json';
      const answer = await maker
        .pick(visitors)
        .call(route.method, url, sent, sent === undefined ? {} : { 'content-type': kind });
      byStatus.set(answer.statusCode, (byStatus.get(answer.statusCode) ?? 0) + 1);
      if (answer.statusCode >= 500 && answer.statusCode !== 502) {
        fail(`${route.method} ${url.slice(0, 300)} ${sent?.slice(0, 600) ?? ''}: ${answer.body.slice(0, 300)}`);
        break;
      }
    }
    // Not all of it is refused at the door: some of it has to get through for the rest to mean anything.
    expect((byStatus.get(200) ?? 0) + (byStatus.get(201) ?? 0)).toBeGreaterThan(REQUESTS / 20);
    await shop.close();
  }, 600_000);
});
