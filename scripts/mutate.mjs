import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { checkNode, ensurePackages } from './lib/packages.mjs';
import { ROOT, STATE } from './lib/paths.mjs';
import { run, say } from './lib/say.mjs';

/* npm run mutate: changes core line by line and tells which changes no spec notices, folder by folder; it takes hours.
   npm run mutate -- tug/trace does one folder of core/src, 'look/*' its own files alone; what has not changed since is not tried again.
   npm run mutate -- --share=0.2 tries one mutant of five, chosen by chance; without it all are tried.
   npm run mutate -- --slow=100 look/section leaves out slower specs beside the lines than others do, ms: of pictures each takes minutes.
   npm run mutate -- --share=0.05 --from=0.5 tries others: a score on those whose survivors nobody has seen.
   npm run mutate -- --scores tells what is known by now. */

const SOURCE = `${ROOT}core/src/`;
const KEPT = `${STATE}mutate/`;
/** What is drawn, which is proved by looking as well. */
const DRAWING = new Set(['sheet']);
const NOT_OURS = new Set(['testing']);
const args = process.argv.slice(2);
const numberOf = (name, otherwise) =>
  Number(args.find((arg) => arg.startsWith(`--${name}=`))?.slice(`--${name}=`.length) ?? otherwise);
const share = numberOf('share', 1);
const from = numberOf('from', 0);
/** Slower specs are left out, ... */
const SLOW_MS = 200;
/** ... but those beside the lines that are changed, which are about them, and those of what is told: up to this. */
const TOO_SLOW_MS = numberOf('slow', 1000);
const fileOf = (folder, kind) =>
  `${KEPT}${folder.replaceAll(/\W+/g, '-')}${share < 1 ? `-${share}` : ''}${from ? `-from-${from}` : ''}.${kind}.json`;

/** Mutants of one folder, from a report of the runner. */
function countsOf(folder) {
  const file = fileOf(folder, 'report');
  if (!existsSync(file)) return null;
  const counts = { killed: 0, survived: 0 };
  for (const { mutants } of Object.values(JSON.parse(readFileSync(file, 'utf8')).files)) {
    for (const { status } of mutants) {
      // One that never ends is noticed; one no test comes by is not.
      if (status === 'Killed' || status === 'Timeout') counts.killed++;
      else if (status === 'Survived' || status === 'NoCoverage') counts.survived++;
    }
  }
  return counts;
}

const scoreOf = ({ killed, survived }) => `${((100 * killed) / Math.max(1, killed + survived)).toFixed(1)} %`;
const tell = (name, counts) =>
  say(
    `${name.padEnd(28)} ${scoreOf(counts).padStart(8)}   ${counts.killed} noticed, ${counts.survived} not, of ${counts.killed + counts.survived}`,
  );

/** Folders that were tried at this share, the parts of one alone too where the whole of it was not. */
function triedFolders() {
  const ending = fileOf('', 'config');
  const tried = readdirSync(KEPT)
    .filter((name) => name.endsWith(ending.slice(KEPT.length)))
    .map((name) => JSON.parse(readFileSync(`${KEPT}${name}`, 'utf8')))
    .map(({ mutate: [lines] }) => lines.replace(/^core\/src\/|\/\*\*\/\*\.ts$|\.ts$/g, ''))
    // The name of another share may end like this one's.
    .filter((folder) => existsSync(fileOf(folder, 'report')));
  const isWhole = (folder) => !tried.some((other) => folder.startsWith(`${other}/`));
  return [...new Set(tried)].filter(isWhole).sort();
}

function tellAll(folders) {
  const sums = { drawing: { killed: 0, survived: 0 }, rest: { killed: 0, survived: 0 } };
  for (const folder of folders) {
    const counts = countsOf(folder);
    if (!counts) continue;
    tell(folder, counts);
    const sum = DRAWING.has(folder.split('/')[0]) ? sums.drawing : sums.rest;
    sum.killed += counts.killed;
    sum.survived += counts.survived;
  }
  tell('core without drawing', sums.rest);
  tell('drawing', sums.drawing);
}

/** How long every spec of core takes, from one run without changes. */
function timeSpecs() {
  const file = `${KEPT}times.json`;
  say('Timing the specs of core ...');
  const { status } = spawnSync(
    process.execPath,
    [
      ...['--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js'],
      ...['--config=scripts/jasmine-core.json', '--reporter=./scripts/lib/timeSpecs.mjs'],
    ],
    { cwd: ROOT, stdio: ['ignore', 'ignore', 'inherit'], env: { ...process.env, TUG_SPEC_TIMES: file } },
  );
  if (status !== 0) throw new Error('Specs of core fail as they are. Run: npm test -- core');
  return JSON.parse(readFileSync(file, 'utf8'));
}

/** Names of the specs that are too slow to be tried on every mutant of a folder. */
const leftOutOf = (folder, times) =>
  times
    .filter(
      ({ filename, ms }) =>
        ms >
        (filename.includes(`core/src/${folder}/`) || filename.includes('told')
          ? TOO_SLOW_MS
          : Math.min(SLOW_MS, TOO_SLOW_MS)),
    )
    .map(({ fullName }) => fullName);

async function mutate(folder, times) {
  const config = {
    testRunner: 'jasmine',
    plugins: ['@stryker-mutator/jasmine-runner', './scripts/lib/someMutants.mjs'],
    jasmineConfigFile: 'scripts/jasmine-core.json',
    testRunnerNodeArgs: ['--import', 'tsx'],
    mutate: [
      `core/src/${folder}${folder.endsWith('/*') ? '' : '/**/*'}.ts`,
      '!core/src/**/*.spec.ts',
      '!core/src/**/index.ts',
    ],
    ignorePatterns: ['web', 'server', 'e2e', 'bench', 'stand-ins', 'docs', '.angular', '.tug-mark', '**/dist'],
    ignoreStatic: true,
    incremental: true,
    incrementalFile: fileOf(folder, 'incremental'),
    coverageAnalysis: 'perTest',
    // Half of them look which mutants are of the share, and are idle from then on.
    concurrency: share < 1 ? 4 : 2,
    reporters: ['json', 'clear-text'],
    clearTextReporter: { logTests: false, reportTests: false, reportScoreTable: false, allowColor: false },
    jsonReporter: { fileName: fileOf(folder, 'report') },
    tempDirName: `${KEPT}tmp`,
    disableTypeChecks: false,
    checkers: share < 1 ? ['some'] : [],
    timeoutMS: 8000,
    dryRunTimeoutMinutes: 20,
    thresholds: { break: null },
  };
  const file = fileOf(folder, 'config');
  writeFileSync(file, JSON.stringify(config, null, 2));
  const leftOut = fileOf(folder, 'left-out');
  writeFileSync(leftOut, JSON.stringify(leftOutOf(folder, times)));
  const env = {
    ...process.env,
    TUG_LEFT_OUT: leftOut,
    TUG_MUTANTS_SHARE: String(share),
    TUG_MUTANTS_FROM: String(from),
  };
  const child = spawn('npx', ['stryker', 'run', file], { cwd: ROOT, stdio: 'inherit', env, detached: true });
  // Its own children outlive it otherwise, each at work on its mutants.
  const end = () => {
    process.kill(-child.pid);
    process.exit(1);
  };
  process.once('SIGTERM', end).once('SIGINT', end);
  const code = await new Promise((ended) => child.once('exit', ended));
  process.off('SIGTERM', end).off('SIGINT', end);
  if (code !== 0) process.exitCode = 1;
}

run(async () => {
  checkNode();
  ensurePackages();
  mkdirSync(KEPT, { recursive: true });
  const all = readdirSync(SOURCE, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && !NOT_OURS.has(entry.name))
    .map(({ name }) => name);
  const folders = args.filter((arg) => !arg.startsWith('--'));
  for (const folder of folders) {
    if (!existsSync(`${SOURCE}${folder.replace('/*', '')}`))
      throw new Error(`core/src has no folder ${folder}. It has ${all.join(', ')}.`);
  }
  if (!args.includes('--scores')) {
    const times = timeSpecs();
    for (const folder of folders.length ? folders : all) await mutate(folder, times);
  }
  tellAll(triedFolders());
});
