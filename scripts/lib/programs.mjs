import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { digestOf } from './digest.mjs';
import { ROOT } from './paths.mjs';
import { Stop } from './say.mjs';

/*
 * Server, commands and stand-ins as they run: bundled beside their sources, so that a start reads three files instead of
 * five hundred and needs no compiler of TypeScript. Packages stay packages.
 */
const PROGRAMS = {
  'server/dist/main': 'server/src/main.ts',
  'server/dist/sectionWorker': 'server/src/journal/sectionWorker.ts',
  'server/dist/verify': 'server/src/verify/main.ts',
  'server/dist/standings': 'server/src/standing/main.ts',
  'server/dist/group': 'server/src/group/main.ts',
  'stand-ins/dist/runForceGauge': 'stand-ins/src/runForceGauge.ts',
  'stand-ins/dist/runCaliper': 'stand-ins/src/runCaliper.ts',
};
/** Pages the stand-ins show lie beside the program. */
const BESIDE = ['panel.html', 'caliper.html'].map((name) => [`stand-ins/src/${name}`, `stand-ins/dist/${name}`]);
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
  for (const folder of ['server/dist', 'stand-ins/dist']) {
    rmSync(`${ROOT}${folder}`, { recursive: true, force: true });
    mkdirSync(`${ROOT}${folder}`, { recursive: true });
  }
  try {
    await build({
      absWorkingDir: ROOT,
      entryPoints: PROGRAMS,
      outdir: '.',
      bundle: true,
      platform: 'node',
      target: 'node20',
      format: 'esm',
      sourcemap: true,
      packages: 'external',
      alias: { '@tug-mark/core': `${ROOT}core/src/index.ts`, '@tug-mark/contract': `${ROOT}contract/src/index.ts` },
      logLevel: 'silent',
    });
  } catch (error) {
    throw new Stop(`The server could not be bundled:\n${error.message}`);
  }
  for (const [from, to] of BESIDE) cpSync(`${ROOT}${from}`, `${ROOT}${to}`);
  writeFileSync(STAMP, now);
}
