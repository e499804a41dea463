import { shopFileSchema } from '@tug-mark/contract';
import { readFileSync } from 'node:fs';
import { benchGroup } from './group';
import { benchCavities } from './cavities';
import { benchFinder, benchLoom } from './finder';
import { firstLoad } from './firstLoad';
import { benchImport, benchLotPage, callAs } from './lots';
import { benchCurves } from './curves';
import { benchCauses, demoLooks } from './diagnosis';
import { benchHeavy } from './heavy';
import { benchChart, benchList } from './large';
import { benchPile } from './pile';
import { benchPlan } from './plan';
import { benchPlanDay } from './planDay';
import { benchPlanProofs } from './planProofs';
import { benchCrowd, benchMemory, benchReading } from './reading';
import { benchSection, benchSections } from './section';
import { OURS, prepare, say, setting, signIn } from './stations';
import { benchTolerance } from './tolerance';
import { benchTrace } from './trace';

/* Prints every figure as a ratio to a named baseline measured in the same run. Started by scripts/bench.mjs, which
   starts the two servers and builds the two pages. `npm run bench -- reading lots` runs those parts alone. */

const shop = shopFileSchema.parse(JSON.parse(readFileSync(new URL('../../demo/shop.json', import.meta.url), 'utf8')));
const [practice] = shop.practices;
if (!practice) throw new Error('the demo shop has no practice');

const technician = () => signIn('Odile', 'demo-odile-bench');
const quality = () => signIn('Ines', 'demo-ines-quality');

/** Each part says its figures; in this order they run. */
const PARTS: Readonly<Record<string, () => void | Promise<void>>> = {
  group() {
    const group = benchGroup(practice);
    say(
      `group verdict of 1,000,000 / plain two-pass loop ratio ${group.ratio.toFixed(2)} (goal at most 3)   [${group.milliseconds.toFixed(1)} against ${group.baseline.toFixed(1)} ms]`,
    );
  },
  finder() {
    const finder = benchFinder(shop, practice);
    say(
      `finder, 5,000 terminals x 200 tools / plain loop     ratio ${finder.ratio.toFixed(2)} (goal: under 100 ms)   [${finder.milliseconds.toFixed(1)} ms, slowest ${finder.slowest.toFixed(1)}, against ${finder.baseline.toFixed(1)} ms]`,
    );
  },
  loom() {
    for (const wires of [60, 20_000]) {
      // Once to warm up; the second is what a page that stays open does.
      benchLoom(shop, practice, wires);
      const loom = benchLoom(shop, practice, wires);
      say(
        `whole loom of ${wires} wires / plain loop          ratio ${loom.ratio.toFixed(1)}   [${loom.milliseconds.toFixed(0)} against ${loom.baseline.toFixed(1)} ms, ${loom.combinations} combinations]`,
      );
    }
  },
  cavities() {
    const map = benchCavities();
    say(
      `one connector out of ${map.entries} entries / their texts read ratio ${map.ratio.toFixed(2)} (goal at most 1)   [${map.milliseconds.toFixed(1)} against ${map.baseline.toFixed(1)} ms]`,
    );
  },
  trace() {
    const trace = benchTrace();
    say(
      `curve of 50,000 samples read / one Math.max pass      ratio ${trace.ratio.toFixed(1)} (goal at most 10)   [${trace.milliseconds.toFixed(2)} against ${trace.baseline.toFixed(2)} ms]`,
    );
  },
  async curves() {
    await benchCurves();
  },
  section() {
    const section = benchSection();
    say(
      `section of 12 megapixels read / one pass over them    ratio ${section.ratio.toFixed(1)} (goal at most 15)   [${section.milliseconds.toFixed(0)} against ${section.baseline.toFixed(0)} ms]`,
    );
  },
  async accuracy() {
    await benchSections();
  },
  async cause() {
    await benchCauses(demoLooks(shop, practice));
  },
  async plan() {
    await benchPlan();
  },
  async planDay() {
    await benchPlanDay(await signIn('Marek', 'demo-marek-engineer'));
  },
  async planProofs() {
    await benchPlanProofs();
  },
  tolerance() {
    const tolerance = benchTolerance();
    say(
      `tolerance factor / jstat noncentral t, bisected       ${tolerance.times.toFixed(0)} times as fast (goal at least 10)   [${tolerance.milliseconds.toFixed(2)} against ${tolerance.baseline.toFixed(1)} ms, at most ${tolerance.apart.toExponential(1)} apart]`,
    );
  },
  load() {
    const own = firstLoad(setting('BENCH_PAGES'));
    const empty = firstLoad(setting('BENCH_EMPTY'));
    say(
      `first load, Brotli / empty Angular+NgRx+NG-ZORRO ratio ${(own / empty).toFixed(2)} (goal at most 1.4)   [${(own / 1024).toFixed(0)} against ${(empty / 1024).toFixed(0)} kB, fonts alike and left out]`,
    );
  },
  async pile() {
    await benchPile(await technician());
  },
  async reading() {
    const { cookie, stations } = await prepare();
    await benchReading(cookie, stations, 0.8);
  },
  async memory() {
    const { cookie, stations } = await prepare();
    await benchMemory(cookie, stations, Number(process.env['BENCH_READINGS'] ?? 100_000));
  },
  async crowd() {
    const { cookie, stations } = await prepare(50);
    await benchReading(cookie, stations, 0.9);
    await benchCrowd(cookie);
  },
  async heavy() {
    await benchHeavy();
  },
  async chart() {
    await benchChart(await technician());
  },
  async list() {
    await benchList(await technician(), Number(process.env['BENCH_ROWS'] ?? 1_000_000));
  },
  async import() {
    const imported = await benchImport(
      callAs(OURS, await technician()),
      callAs(OURS, await quality()),
      setting('BENCH_DATABASE'),
    );
    say(
      `200,000 pulls from CSV / raw COPY of the same rows   ${imported.ratio.toFixed(2)} (goal at least 0.6)   [${(imported.ours / 1000).toFixed(1)} against ${(imported.baseline / 1000).toFixed(1)} s]`,
    );
  },
  async lots() {
    const lotPage = await benchLotPage(
      callAs(OURS, await technician()),
      setting('BENCH_DATABASE'),
      Number(process.env['BENCH_ROWS'] ?? 1_000_000),
    );
    say(
      `lot page in ${lotPage.rows.toLocaleString('en')} readings / in 10,000     ratio ${lotPage.ratio.toFixed(2)} (goal at most 1.2)   [${lotPage.many.toFixed(1)} against ${lotPage.few.toFixed(1)} ms]`,
    );
  },
};

const asked = process.argv.slice(2);
/** Measured from outside by scripts/bench.mjs itself: a start, and pages in a browser. */
const OUTSIDE = ['start', 'pages'];
const unknown = asked.filter((name) => !(name in PARTS) && !OUTSIDE.includes(name));
if (unknown.length) {
  throw new Error(`There is no part ${unknown.join(', ')}. Parts: ${[...OUTSIDE, ...Object.keys(PARTS)].join(', ')}.`);
}
for (const [name, part] of Object.entries(PARTS)) {
  if (!asked.length || asked.includes(name)) await part();
}
