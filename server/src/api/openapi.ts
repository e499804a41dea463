import { capital, stripperSchema, terminalSchema, toolSchema, wireSchema } from '@tug-mark/core';
import {
  API,
  PROBLEMS,
  cabinetSchema,
  certificateSchema,
  combinationLineSchema,
  combinationViewSchema,
  documentKeySchema,
  entryBodySchema,
  foreignLineSchema,
  gaugeSchema,
  isFile,
  keptEntrySchema,
  limitRecordSchema,
  limitTableSchema,
  lookRecordSchema,
  lookSheetSchema,
  newEntrySchema,
  partRevisionSchema,
  personSchema,
  practiceSchema,
  problemSchema,
  recordSchema,
  shopFileSchema,
  studyLineSchema,
  toolCheckSchema,
  whoMay,
  type FileKind,
  type ProblemCode,
  type Route,
} from '@tug-mark/contract';
import { z } from 'zod';
import { SESSION_COOKIE } from '../session/session';

/** Schemas that have a name of their own in the description; everything else is named after its operation. */
const NAMED: Readonly<Record<string, z.ZodType>> = {
  Cabinet: cabinetSchema,
  Certificate: certificateSchema,
  CombinationLine: combinationLineSchema,
  Combination: combinationViewSchema,
  DocumentKey: documentKeySchema,
  EntryBody: entryBodySchema,
  ForeignLine: foreignLineSchema,
  Gauge: gaugeSchema,
  KeptEntry: keptEntrySchema,
  LimitRecord: limitRecordSchema,
  LimitTable: limitTableSchema,
  LookRecord: lookRecordSchema,
  LookSheet: lookSheetSchema,
  NewEntry: newEntrySchema,
  PartRevision: partRevisionSchema,
  Person: personSchema,
  Practice: practiceSchema,
  Problem: problemSchema,
  Record: recordSchema,
  ShopFile: shopFileSchema,
  Stripper: stripperSchema,
  StudyLine: studyLineSchema,
  Terminal: terminalSchema,
  Tool: toolSchema,
  ToolCheck: toolCheckSchema,
  Wire: wireSchema,
};

type Json = Record<string, unknown>;

/** Every schema by its place in the description, and how to point at it. */
class Components {
  private readonly answers = z.registry<{ id: string }>();
  private readonly bodies = z.registry<{ id: string }>();
  private readonly names = new Map<z.ZodType, string>(Object.entries(NAMED).map(([name, schema]) => [schema, name]));

  constructor() {
    for (const [id, schema] of Object.entries(NAMED)) {
      this.answers.add(schema, { id });
      this.bodies.add(schema, { id: `${id}Sent` });
    }
  }

  answer(name: string, schema: z.ZodType): Json {
    const known = this.names.get(schema);
    if (!known) this.answers.add(schema, { id: name });
    return { $ref: `#/components/schemas/${known ?? name}` };
  }

  body(name: string, schema: z.ZodType): Json {
    const known = this.names.get(schema);
    if (!known) this.bodies.add(schema, { id: name });
    return { $ref: `#/components/schemas/${known ? `${known}Sent` : name}` };
  }

  /** @param used what points at them: a schema nothing leads to is left out */
  schemas(used: Json): Json {
    const uri = (id: string) => `#/components/schemas/${id}`;
    const made = {
      ...z.toJSONSchema(this.bodies, { uri, io: 'input', unrepresentable: 'any' }).schemas,
      ...z.toJSONSchema(this.answers, { uri, io: 'output', unrepresentable: 'any' }).schemas,
    };
    const wanted = reached(used, made);
    return Object.fromEntries(
      Object.entries(made)
        .filter(([name]) => wanted.has(name))
        .sort(([a], [b]) => a.localeCompare(b))
        .map(([name, { $id, $schema, ...schema }]) => {
          void $id;
          void $schema;
          return [name, schema];
        }),
    );
  }
}

/** Names of the schemas that can be reached from a value by its references. */
function reached(from: unknown, schemas: Readonly<Record<string, unknown>>): Set<string> {
  const found = new Set<string>();
  const open: unknown[] = [from];
  while (open.length) {
    for (const [, name = ''] of JSON.stringify(open.pop()).matchAll(/"#\/components\/schemas\/(\w+)"/g)) {
      if (!found.has(name)) open.push(schemas[name] ?? null);
      found.add(name);
    }
  }
  return found;
}

function parameters(fields: z.ZodObject | undefined, place: 'path' | 'query', example: object | undefined): Json[] {
  if (!fields) return [];
  const { properties, required } = z.toJSONSchema(fields, { io: 'input', unrepresentable: 'any' });
  return Object.entries(properties ?? {}).map(([name, schema]) => ({
    name,
    in: place,
    required: place === 'path' || (required?.includes(name) ?? false),
    schema,
    ...(example && name in example && { example: (example as Json)[name] }),
  }));
}

const fileContent = ({ file }: FileKind): Json =>
  Object.fromEntries(
    file.map((kind) => [
      kind,
      {
        schema: /^(text|application\/(x-nd)?json)/.test(kind)
          ? { type: 'string' }
          : { type: 'string', format: 'binary' },
      },
    ]),
  );

/** Codes of problems an operation can answer with, those it shares with every other included. */
export function problemsOf(route: Route): ProblemCode[] {
  const { who, body, params, query } = route;
  return [
    ...(who === 'anyone' ? [] : (['sign-in-first'] as const)),
    ...(who === 'anyone' || who === 'signed-in' ? [] : (['role-may-not', 'qualification-lapsed'] as const)),
    ...(body && !isFile(body) ? (['not-json', 'too-deep', 'text-unreadable'] as const) : []),
    ...(body ? (['media-type', 'file-too-large'] as const) : []),
    ...(body || params || query ? (['shape-wrong'] as const) : []),
    ...(route.problems ?? []),
    'fault',
    'away',
  ];
}

function describe(route: Route, components: Components): Json {
  const { id, tag, summary, who, body, example } = route;
  const name = capital(id);
  const responses: Json = {};
  for (const [status, answer] of Object.entries(route.answers)) {
    responses[status] =
      answer === null
        ? { description: 'Done' }
        : isFile(answer)
          ? { description: 'The file', content: fileContent(answer) }
          : {
              description: 'The answer',
              content: { 'application/json': { schema: components.answer(`${name}Answer`, answer) } },
            };
  }
  const byStatus = new Map<number, ProblemCode[]>();
  for (const code of new Set(problemsOf(route))) {
    byStatus.set(PROBLEMS[code], [...(byStatus.get(PROBLEMS[code]) ?? []), code]);
  }
  for (const [status, codes] of byStatus) {
    responses[status] = {
      description: `Refused: ${codes.join(', ')}`,
      content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
    };
  }
  return {
    operationId: id,
    tags: [tag],
    summary,
    description:
      who === 'anyone'
        ? 'Anyone may call this.'
        : who === 'signed-in'
          ? 'For whoever is signed in.'
          : `For accounts of ${whoMay(who)}.`,
    security: who === 'anyone' ? [] : [{ session: [] }],
    parameters: [
      ...parameters(route.params, 'path', example?.params),
      ...parameters(route.query, 'query', example?.query),
    ],
    ...(body && {
      requestBody: {
        required: true,
        content: isFile(body)
          ? fileContent(body)
          : {
              'application/json': {
                schema: components.body(`${name}Sent`, body),
                ...(example?.body !== undefined && { example: example.body }),
              },
            },
      },
    }),
    responses,
  };
}

/** The API as OpenAPI 3.1, made from the contract alone. */
export function describeApi(): Json {
  const components = new Components();
  const paths: Record<string, Json> = {};
  const routes: readonly Route[] = Object.values(API);
  for (const route of routes) {
    const path = route.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [route.method.toLowerCase()]: describe(route, components) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Tug Mark',
      version: '1',
      description: 'Set-up, record and judgement of crimped terminations.',
      license: { name: 'All rights reserved', identifier: 'LicenseRef-Tug-Mark' },
    },
    servers: [{ url: '/api' }],
    tags: [...new Set(routes.map((route) => route.tag))].map((name) => ({ name, description: `${name} of the shop` })),
    paths,
    components: {
      schemas: components.schemas(paths),
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: SESSION_COOKIE } },
    },
  };
}
