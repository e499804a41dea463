import { mkdirSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { checkNode, ensureChromium, ensureFirefox, ensurePackages } from './lib/packages.mjs';
import { ensurePages } from './lib/pages.mjs';
import { ROOT, STATE } from './lib/paths.mjs';
import { ensurePrograms } from './lib/programs.mjs';
import { dropLeftBehind, startPostgres } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { follow } from './lib/shell.mjs';

/* npm test runs every check; npm test -- core server runs only those named. */

const JASMINE = ['--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js'];

/** Passed and failed specs as a runner's closing line gives them; a runner that never closed has failed. */
function count(out, code) {
  const jasmine = /(\d+) specs?, (\d+) failures?/.exec(out);
  const karma = [...out.matchAll(/Executed (\d+) of (\d+)(?:.*?\((\d+) FAILED\))?/g)].at(-1);
  if (jasmine) {
    const failed = Number(jasmine[2]);
    return { passed: Math.max(0, Number(jasmine[1]) - failed), failed: Math.max(failed, code === 0 ? 0 : 1) };
  }
  if (karma) {
    const failed = Number(karma[3] ?? 0);
    return { passed: Number(karma[1]) - failed, failed: Math.max(failed, code === 0 ? 0 : 1) };
  }
  return { passed: 0, failed: 1 };
}

/** A check that either holds or does not. */
const check = (name, command, args, options) => ({
  name,
  run: async () => {
    const { code, out } = await follow(command, args, options);
    return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1, out };
  },
});

const specs = (name, args, options = {}) => ({
  name,
  run: async (env) => {
    const { code, out } = await follow(options.command ?? process.execPath, args, {
      ...options,
      env: { ...process.env, ...env },
    });
    return { ...count(out, code), out };
  },
});

/** A look into every room takes longer than what its file says of it. */
const LONGEST = 'rooms.spec.ts';
/** Journeys in the real browser: each file on a shop of its own, the longest first. */
const JOURNEYS = readdirSync(`${ROOT}e2e/src`)
  .filter((file) => file.endsWith('.spec.ts'))
  .map((file) => ({ file, length: file === LONGEST ? Infinity : statSync(`${ROOT}e2e/src/${file}`).size }))
  .sort((a, b) => b.length - a.length)
  .map(({ file }) =>
    specs(`e2e ${file.replace('.spec.ts', '')}`, [...JASMINE, '--config=scripts/jasmine-e2e.json', `e2e/src/${file}`]),
  );

const STATIC = [
  check('format', 'npx', ['prettier', '--check', '.']),
  check('lint', 'npx', ['eslint', '.']),
  // What is of one kind is gone through together: each alone would read core once more.
  check('types core contract', 'npx', ['tsc', '-p', 'tsconfig.pure.json']),
  check('types server stand-ins bench', 'npx', ['tsc', '-p', 'tsconfig.node.json']),
  check('types e2e', 'npx', ['tsc', '-p', 'e2e']),
  check('types web', 'npx', ['ngc', '-p', 'web/tsconfig.app.json', '--noEmit']),
  check('dependency rules', 'npx', [
    'depcruise',
    '--config',
    '.dependency-cruiser.cjs',
    'core',
    'contract',
    'stand-ins',
    'server',
    'web/src',
    'e2e',
    'bench',
  ]),
  check('rooms', 'npx', [
    'depcruise',
    '--config',
    '.dependency-cruiser-rooms.cjs',
    'core',
    'contract',
    'server',
    'web/src',
  ]),
  check('unused exports', 'npx', ['knip']),
];
const SPECS = [
  specs('server', [...JASMINE, '--config=scripts/jasmine-server.json']),
  specs('web', ['ng', 'test', 'tug-mark'], { command: 'npx', cwd: `${ROOT}web` }),
  // Pictures and curves are made and thrown away by the hundred: with room for them all of it takes a tenth less time.
  specs('core', ['--max-semi-space-size=64', ...JASMINE, '--config=scripts/jasmine.json']),
];
/** A second browser takes all of a core, and finds nothing in time where it has to share one with two others. */
const isBusy = ({ name }) => name === 'e2e second-browser';
/**
 * Groups one after the other; in a group so many at once, the longest first. Checks and specs keep a core busy each; a journey
 * mostly waits, for a hand's pauses or for a page to come.
 */
const GROUPS = [
  { atOnce: 2, parts: [...SPECS, ...STATIC, ...JOURNEYS.filter(isBusy)] },
  { atOnce: 3, parts: JOURNEYS.filter((journey) => !isBusy(journey)) },
];
/** Names what the parts of this run share. */
const RUN = Date.now().toString(36);
/** What of a failed part is told at once; the rest lies in its log. */
const TOLD = 120;

/** From where a runner begins to tell its failures; a run that broke off tells it at its end. */
function told(out) {
  const lines = out.trim().split('\n');
  const from = lines.findIndex((line) => /^Failures:|\bFAILED\b/.test(line));
  return (from < 0 ? lines.slice(-TOLD) : lines.slice(from, from + TOLD)).join('\n');
}

run(async () => {
  checkNode();
  ensurePackages();
  const wanted = process.argv.slice(2);
  const isWanted = ({ name }) => !wanted.length || wanted.some((word) => name.split(' ').includes(word));
  const groups = GROUPS.map(({ atOnce, parts }) => ({ atOnce, parts: parts.filter(isWanted) }));
  const needs = (name) => groups.some(({ parts }) => parts.some((part) => part.name.split(' ')[0] === name));
  let cluster;
  if (needs('web') || needs('e2e')) ensureChromium();
  if (groups.some(({ parts }) => parts.some(({ name }) => name === 'e2e second-browser'))) ensureFirefox();
  if (needs('server') || needs('e2e')) {
    // A throwaway cluster of its own: nothing in it outlives a power cut, and it is never the demo's.
    cluster = await startPostgres('test-postgres', {
      firstPort: 54970,
      settings: { fsync: 'off', max_connections: 200 },
    });
  }
  if (needs('e2e')) await Promise.all([ensurePages(), ensurePrograms()]);
  mkdirSync(`${STATE}logs`, { recursive: true });

  let passed = 0;
  let failed = 0;
  try {
    const runPart = async (part) => {
      const started = Date.now();
      const result = await part.run({ TUG_TEST_DATABASE_URL: cluster?.url('postgres') ?? '', TUG_TEST_RUN: RUN });
      passed += result.passed;
      failed += result.failed;
      const seconds = ((Date.now() - started) / 1000).toFixed(1);
      say(
        `${result.failed ? 'FAILED' : 'passed'}  ${part.name.padEnd(28)} ${String(result.passed).padStart(4)} passed ${String(result.failed).padStart(3)} failed  ${seconds} s`,
      );
      writeFileSync(`${STATE}logs/${part.name.replaceAll(' ', '-')}.log`, result.out);
      if (result.failed) say(told(result.out));
    };
    for (const { atOnce, parts } of groups) {
      const waiting = [...parts];
      const lane = async () => {
        for (let part = waiting.shift(); part; part = waiting.shift()) await runPart(part);
      };
      await Promise.all(Array.from({ length: atOnce }, lane));
    }
  } finally {
    if (cluster) await dropLeftBehind(cluster);
    cluster?.stop();
  }
  say(`${passed} passed, ${failed} failed`);
  process.exitCode = failed ? 1 : 0;
});
