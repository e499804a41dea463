import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { digestOf, files } from './digest.mjs';
import { ROOT } from './paths.mjs';
import { Stop, say } from './say.mjs';
import { follow } from './shell.mjs';

/** Where the built pages lie. */
export const PAGES = `${ROOT}web/dist/tug-mark/browser`;
const STAMP = `${ROOT}web/dist/tug-mark/stamp`;
const SOURCES = [
  'core/src',
  'contract/src',
  'web/src',
  'web/angular.json',
  'web/tsconfig.json',
  'web/tsconfig.app.json',
  'package-lock.json',
];

/** Builds the pages when a source changed since they were built, and compresses what is sent compressed. */
export async function ensurePages() {
  const now = digestOf(SOURCES);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now) return;
  if (!existsSync(`${ROOT}node_modules/@angular/cli`)) {
    throw new Stop('The pages are not built, and what builds them is not installed: run npm ci, then npm start again.');
  }
  say('Building the pages (half a minute) ...');
  await buildPages('tug-mark');
  await keepOffline(PAGES);
  compress(PAGES);
  writeFileSync(STAMP, now);
}

/** Builds one Angular project of web/angular.json. */
export async function buildPages(project) {
  rmSync(`${ROOT}web/dist/${project}`, { recursive: true, force: true });
  const done = await follow('npx', ['ng', 'build', project], {
    cwd: `${ROOT}web`,
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
  if (done.code !== 0) throw new Stop(`The pages could not be built:\n${done.out.trim()}`);
}

/** Writes the service worker that keeps the built files on a device; the page itself is kept as the server sends it. */
async function keepOffline(folder) {
  // Not before it is installed: this file is read on a fresh machine too.
  const { buildSync } = await import('esbuild');
  const built = [...files(folder)]
    .map((file) => file.slice(folder.length))
    .filter((name) => name !== '/index.html')
    .map((url) => ({
      url,
      revision: /-[A-Z0-9]{8}\.\w+$/.test(url) ? null : digestOf([`${folder}${url}`.slice(ROOT.length)]),
    }));
  buildSync({
    entryPoints: [`${ROOT}web/src/workers/offline.worker.ts`],
    outfile: `${folder}/offline.js`,
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { BUILT: JSON.stringify(built), 'process.env.NODE_ENV': '"production"' },
  });
}

/** Puts a .br and a .gz beside every text file. */
export function compress(folder) {
  for (const file of files(folder)) {
    if (!/\.(js|css|html|svg|json)$/.test(file)) continue;
    const content = readFileSync(file);
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }));
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  }
}
