import { createConfig, lintFromString } from '@redocly/openapi-core';
import { randomUUID } from 'node:crypto';
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import createClient from 'openapi-fetch';
import openapiTypescript, { astToString } from 'openapi-typescript';
import ts from 'typescript';
import { describeApi } from '../src/api/openapi';
import { FRESH, LOOK, Shop } from './harness';

/** Generated clients are written and type-checked here: no other check reads this folder, and packages are found from it. */
const CLIENTS = fileURLToPath(new URL('../../.tug-mark/', import.meta.url));

describe('The description of the API', () => {
  it('has nothing a linter of another make objects to: ids, tags, schemes, problems', async () => {
    const config = await createConfig({ extends: ['recommended'] });
    const problems = await lintFromString({ source: JSON.stringify(describeApi()), config });
    const errors = problems.filter((p) => p.severity === 'error');
    expect(errors.map((p) => `${p.ruleId}: ${p.message}`)).toEqual([]);
  }, 30_000);

  it('makes a client by a generator: typed by it alone, that puts a reading on record and reads the record', async () => {
    await mkdir(CLIENTS, { recursive: true });
    const folder = await mkdtemp(`${CLIENTS}client-`);
    try {
      const types = astToString(await openapiTypescript(JSON.stringify(describeApi())));
      await writeFile(`${folder}/api.ts`, types);
      await writeFile(
        `${folder}/client.ts`,
        `import createClient from 'openapi-fetch';
import type { paths } from './api';
const client = createClient<paths>({ baseUrl: 'http://127.0.0.1:1/api' });
export async function work(id: string) {
  const kept = await client.POST('/combinations/{id}/entries', {
    params: { path: { id } },
    body: {
      id,
      body: { kind: 'reading', piece: 1, force: 118.4, typed: '118.4', unit: 'N', mode: 'slid-out', note: '', confirmed: [] },
      corrects: null,
      why: null,
    },
  });
  const seq: number | undefined = kept.data?.seq;
  const record = await client.GET('/combinations/{id}/record.json', { params: { path: { id } } });
  const hash: string | undefined = record.data?.entries[0]?.hash;
  // @ts-expect-error there is no such failure mode
  await client.POST('/combinations/{id}/entries', { params: { path: { id } }, body: { id, body: { kind: 'reading', mode: 'x' }, corrects: null, why: null } });
  return { seq, hash };
}
`,
      );
      const program = ts.createProgram([`${folder}/client.ts`], {
        strict: true,
        noEmit: true,
        skipLibCheck: true,
        target: ts.ScriptTarget.ES2022,
        module: ts.ModuleKind.Preserve,
        moduleResolution: ts.ModuleResolutionKind.Bundler,
        lib: ['lib.es2023.d.ts', 'lib.dom.d.ts', 'lib.dom.iterable.d.ts'],
        types: [],
      });
      const told = ts.getPreEmitDiagnostics(program).map((d) => ts.flattenDiagnosticMessageText(d.messageText, '\n'));
      expect(told).toEqual([]);
      expect(await readFile(`${folder}/api.ts`, 'utf8')).toContain('putEntry');
    } finally {
      await rm(folder, { recursive: true });
    }

    const shop = await Shop.open();
    await shop.app.listen({ host: '127.0.0.1', port: 0 });
    const { port } = shop.app.server.address() as AddressInfo;
    const odile = await shop.signIn('Odile');
    const { id } = await odile.combination(...FRESH);
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- its types were proved above; here it runs
    const client = createClient<any>({ baseUrl: `http://127.0.0.1:${port}/api`, headers: { cookie: odile.cookie } });
    const put = (body: object) =>
      client.POST('/combinations/{id}/entries', {
        params: { path: { id } },
        body: { id: randomUUID(), body, corrects: null, why: null },
      } as never) as Promise<{ data?: { seq: number }; error?: unknown }>;
    expect((await put({ kind: 'tool', tool: 'HT-11', die: 'A', nest: '1', look: LOOK })).data?.seq).toBe(1);
    const pull = { kind: 'reading', piece: 1, force: 118.4, typed: '118.4', unit: 'N', mode: 'slid-out', note: '' };
    expect((await put({ ...pull, confirmed: ['pulled-already'] })).data?.seq).toBe(2);
    const record = (await client.GET('/combinations/{id}/record.json', { params: { path: { id } } } as never)) as {
      data?: { entries: unknown[] };
    };
    expect(record.data?.entries.length).toBe(2);
    await shop.close();
  }, 60_000);
});
