import type { FastifyInstance } from 'fastify';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildApp } from '../src/app';
import { problemOf, Shop, Visitor } from './harness';

describe('What a browser is told with an answer', () => {
  let shop: Shop;
  let served: FastifyInstance;
  let folder: string;
  beforeEach(async () => {
    shop = await Shop.open('empty');
    folder = mkdtempSync(join(tmpdir(), 'pages-'));
    writeFileSync(join(folder, 'index.html'), '<script nonce="__NONCE__"></script>');
    writeFileSync(join(folder, 'main-1.js'), 'void 0');
    served = await buildApp({ db: shop.db, pages: folder });
  });
  afterEach(async () => {
    await served.close();
    await shop.close();
    rmSync(folder, { recursive: true });
  });
  const get = (path: string) => new Visitor(served).call('GET', path);

  it('with pages: run nothing but their own, in no frame, and ask again', async () => {
    for (const path of ['/', '/bench/1', '/lots']) {
      const { statusCode, headers, body } = await get(path);
      const policy = String(headers['content-security-policy']);
      const nonce = /nonce="([^"]+)"/.exec(body)?.[1];
      expect([path, statusCode, headers['cache-control']]).toEqual([path, 200, 'no-store']);
      expect(policy).toContain(`'nonce-${nonce}'`);
      expect(policy).toContain("frame-ancestors 'none'");
      expect(headers['x-frame-options']).toBe('SAMEORIGIN');
      expect(headers['x-content-type-options']).toBe('nosniff');
    }
  });

  it('with their parts: keep them for good, and take them for what they are', async () => {
    const { headers } = await get('/main-1.js');
    expect(headers['cache-control']).toContain('immutable');
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['cross-origin-resource-policy']).toBe('same-origin');
    expect([(await get('/main-2.js')).statusCode, problemOf(await get('/main-2.js')).code]).toEqual([404, 'not-found']);
  });

  it('with data: run nothing, ask each time whether it stands, and let no other site read it', async () => {
    for (const path of ['/api/session', '/api/combinations', '/api/nothing']) {
      const { headers } = await get(path);
      expect(headers['content-security-policy']).toBe("default-src 'none'; frame-ancestors 'none'");
      expect(headers['cache-control']).toBe('private, no-cache');
      expect(headers['x-content-type-options']).toBe('nosniff');
      expect(headers['cross-origin-resource-policy']).toBe('same-origin');
    }
  });
});
