import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { ROOT } from './paths.mjs';
import { Stop, say } from './say.mjs';
import { capture, has, isRoot } from './shell.mjs';

/** Refuses a Node.js this project does not run on. */
export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19) || major > 22) {
    throw new Stop(
      `Tug Mark needs Node.js 20.19 to 22; this is ${process.versions.node}. Install one of those and run it again.`,
    );
  }
}

/**
 * Whether the packages a shop runs on are those of the lockfile, whoever put them there: `npm ci --omit=dev` leaves out what
 * only building and testing need.
 */
function hasRuntimePackages() {
  const read = (file) => JSON.parse(readFileSync(`${ROOT}${file}`, 'utf8')).packages;
  if (!existsSync(`${ROOT}node_modules/.package-lock.json`)) return false;
  const wanted = Object.entries(read('package-lock.json')).filter(
    ([path, { dev, devOptional, optional, link }]) =>
      path.startsWith('node_modules/') && !dev && !devOptional && !optional && !link,
  );
  const there = read('node_modules/.package-lock.json');
  return wanted.every(([path, { version }]) => there[path]?.version === version);
}

/**
 * Installs the packages of the lockfile when they are missing or the lockfile has changed since.
 * @param forRunning those that only building and testing need may be missing
 */
export function ensurePackages({ forRunning = false } = {}) {
  const lock = createHash('sha256')
    .update(readFileSync(`${ROOT}package-lock.json`))
    .digest('hex');
  const stamp = `${ROOT}node_modules/.tug-mark-lock`;
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  if (forRunning && hasRuntimePackages()) return;
  say('Installing packages from the lockfile (a minute or two) ...');
  const done = capture('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  if (done.code !== 0) {
    throw new Stop(
      `The packages could not be installed:\n${done.out.trim()}\nCheck the connection to the package registry and the rights on this folder, then run it again.`,
    );
  }
  writeFileSync(stamp, lock);
}

/** Installs Debian packages that are missing, or says what to do where this account may not. */
export function ensureDebian(packages, isThere, what) {
  if (isThere()) return;
  const command = `apt-get install -y ${packages.join(' ')}`;
  if (!has('apt-get'))
    throw new Stop(`${what} is not installed, and this is no Debian machine. Install it by hand and run this again.`);
  if (!isRoot()) throw new Stop(`${what} is not installed and this account may not install it. Run: sudo ${command}`);
  say(`Installing ${what} from Debian's packages ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  capture('apt-get', ['update'], { env });
  const done = capture('apt-get', ['install', '-y', '--no-install-recommends', ...packages], { env });
  if (done.code !== 0 || !isThere())
    throw new Stop(`${what} could not be installed:\n${done.out.trim().split('\n').slice(-8).join('\n')}`);
}

/** Firefox, for the journey in a second browser. */
export function ensureFirefox() {
  ensureDebian(['firefox-esr'], () => existsSync('/usr/bin/firefox-esr'), 'Firefox');
}

/** Chromium with and without a window, and its driver, for the tests and the pictures. */
export function ensureChromium() {
  const programs = ['bin/chromium', 'bin/chromedriver', 'lib/chromium/chromium-headless-shell'];
  ensureDebian(
    ['chromium', 'chromium-headless-shell', 'chromium-driver'],
    () => programs.every((program) => existsSync(`/usr/${program}`)),
    'Chromium',
  );
}
