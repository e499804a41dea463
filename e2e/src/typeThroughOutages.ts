import { createInterface } from 'node:readline';
import { By, Key } from 'selenium-webdriver';
import { climbTo, openCombination, setUpByKeys, takeSeat } from './bench';
import { Browser } from './browser';

/* Two people type readings by keys at real pages until they are told to finish; then what stands on record is compared with
   what they typed: every force, once, for its piece, in order. Run by npm run faults -- --browsers. */

const SEATS = [
  { list: 'First of the outage drill', terminal: 'FL-RT-0406', wire: 'FL-W-0100' },
  { list: 'Second of the outage drill', terminal: 'FL-RT-0406', wire: 'FL-W-0100' },
] as const;

const [address = ''] = process.argv.slice(2);
let isOver = false;
const open: Browser[] = [];
const lines = createInterface({ input: process.stdin });
lines.once('line', () => {
  isOver = true;
});
/** Ends with the drill, however that ended: a browser left behind goes on typing at nobody. */
const leave = async (code: number): Promise<never> => {
  await Promise.all(open.splice(0).map((browser) => browser.close().catch(() => undefined)));
  process.exit(code);
};
process.stdin.once('close', () => void leave(1));
process.once('uncaughtException', (error) => {
  process.stderr.write(`${String(error)}\n`);
  void leave(1);
});

interface Seat {
  readonly browser: Browser;
  readonly typed: number[];
}

async function sit({ terminal, wire, list }: (typeof SEATS)[number]): Promise<Seat> {
  const browser = await Browser.open(address);
  open.push(browser);
  await takeSeat(browser, 'Odile');
  const csv = `wire id,wire part,length mm,terminal a,terminal b,quantity\nA1,${wire},100,${terminal},-,400`;
  const failed = await browser.driver.executeAsyncScript<string>(
    `const done = arguments[arguments.length - 1];
     fetch('/api/wire-lists?id=' + crypto.randomUUID() + '&name=' + encodeURIComponent(arguments[0]), {
       method: 'POST', headers: { 'content-type': 'text/csv' }, body: arguments[1],
     }).then(async (answer) => done(answer.ok ? '' : await answer.text()));`,
    list,
    csv,
  );
  if (failed) throw new Error(failed);
  await openCombination(browser, terminal, wire, list);
  await setUpByKeys(browser, 6, '7.7');
  await climbTo(browser, 'Tug');
  await browser.shown(By.id('force'));
  return { browser, typed: [] };
}

/** Types one reading; its reason goes with it, because nobody looks at pieces here. */
async function typeOne({ browser, typed }: Seat, force: number): Promise<void> {
  await browser.shown(By.id('force'));
  await browser.keys(String(force), Key.ENTER);
  await browser.sees('How did it fail?');
  await browser.keys('1');
  await browser.shown(By.css('tm-pull-ask button.on'));
  await (await browser.shown(By.id('reading-note'))).sendKeys('outage drill');
  await browser.press('Keep reading');
  typed.push(force);
  await browser.shown(By.id('force'));
}

interface Kept {
  readonly body: { readonly kind: string; readonly piece?: number; readonly force?: number };
}

const seats: Seat[] = [];
for (const seat of SEATS) seats.push(await sit(seat));
process.stdout.write('typing\n');
await Promise.all(
  seats.map(async (seat, index) => {
    for (let n = 0; !isOver; n++) await typeOne(seat, Number((120 + index * 10 + (n % 89) / 10).toFixed(1)));
  }),
);
for (const { browser, typed } of seats) {
  // Everything that waits goes out by itself once the database is back.
  await browser.driver.wait(async () => !/kept here|sending|could not be kept/.test(await browser.text()), 120_000);
  const id = /bench\/([^/]+)/.exec(await browser.driver.getCurrentUrl())?.[1] ?? '';
  const entries = await browser.driver.executeAsyncScript<Kept[]>(
    `const done = arguments[arguments.length - 1];
     fetch('/api/combinations/' + arguments[0]).then((answer) => answer.json()).then((view) => done(view.entries));`,
    id,
  );
  const readings = entries.filter((entry) => entry.body.kind === 'reading').map((entry) => entry.body);
  if (readings.length !== typed.length) {
    process.stdout.write(`fault: ${typed.length} readings were typed and ${readings.length} are on record\n`);
  }
  typed.forEach((force, i) => {
    const own = readings[i];
    if (own?.force !== force || own.piece !== i + 1) {
      process.stdout.write(`fault: ${force} N was typed for piece ${i + 1}; piece ${own?.piece} has ${own?.force} N\n`);
    }
  });
}
process.stdout.write(`typed ${seats.reduce((sum, { typed }) => sum + typed.length, 0)}\nfinished\n`);
await leave(0);
