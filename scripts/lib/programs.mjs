import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { digestOf } from './digest.mjs';
import { ROOT } from './paths.mjs';
import { Stop } from './say.mjs';

/*
 * Server, commands and stand-ins as they run: bundled beside their sources with the packages they use, so that a start reads
 * a handful of files instead of a thousand and needs no compiler of TypeScript.
 */
const PROGRAMS = {
  server: {
    main: 'main.ts',
    sectionWorker: 'journal/sectionWorker.ts',
    verify: 'verify/main.ts',
    move: 'moving/main.ts',
    standings: 'standing/main.ts',
    group: 'group/main.ts',
  },
  'stand-ins': { runForceGauge: 'runForceGauge.ts', runCaliper: 'runCaliper.ts' },
};
/** Pages the stand-ins show lie beside the program. */
const BESIDE = ['panel.html', 'caliper.html'].map((name) => [`stand-ins/src/${name}`, `stand-ins/dist/${name}`]);
/** Packages with programs, fonts, word lists or threads of their own, and databases Knex could speak to and this shop does not. */
const EXTERNAL = [
  ...['@node-rs/argon2', 'pdfkit', 'piscina', 'sharp', 'subset-font'],
  ...['@zxcvbn-ts/core', '@zxcvbn-ts/language-common', '@zxcvbn-ts/language-en'],
  ...['better-sqlite3', 'mariadb', 'mysql', 'mysql2', 'oracledb', 'pg-native', 'pg-query-stream', 'sqlite3', 'tedious'],
];
/** Packages of the older kind find their own kin with require. */
const REQUIRE = `import { createRequire as makeRequire } from 'node:module';
import { dirname as folderOf } from 'node:path';
import { fileURLToPath as pathOf } from 'node:url';
const require = makeRequire(import.meta.url);
const __filename = pathOf(import.meta.url);
const __dirname = folderOf(__filename);`;
const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'stand-ins/src',
  'package-lock.json',
  'scripts/lib/programs.mjs',
];
const STAMP = `${ROOT}server/dist/stamp`;

/** Bundles the programs when a source has changed since. */
export async function ensurePrograms() {
  const now = digestOf(SOURCES);
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now) return;
  const { build } = await import('esbuild');
  try {
    await Promise.all(Object.entries(PROGRAMS).map(([folder, programs]) => bundle(build, folder, programs)));
  } catch (error) {
    throw new Stop(`The server could not be bundled:\n${error.message}`);
  }
  for (const [from, to] of BESIDE) cpSync(`${ROOT}${from}`, `${ROOT}${to}`);
  writeFileSync(STAMP, now);
}

async function bundle(build, folder, programs) {
  const into = `${ROOT}${folder}/dist`;
  rmSync(into, { recursive: true, force: true });
  mkdirSync(into, { recursive: true });
  await build({
    absWorkingDir: `${ROOT}${folder}/src`,
    entryPoints: programs,
    outdir: into,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    // What is read only when it is asked for lies in files of its own.
    splitting: true,
    sourcemap: true,
    minifySyntax: true,
    minifyWhitespace: true,
    external: EXTERNAL,
    banner: { js: REQUIRE },
    alias: { '@tug-mark/core': `${ROOT}core/src/index.ts`, '@tug-mark/contract': `${ROOT}contract/src/index.ts` },
    logLevel: 'silent',
  });
}
