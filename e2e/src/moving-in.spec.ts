import { CATALOGUES, writePartTable, type CatalogueKind, type CatalogueParts } from '@tug-mark/core';
import { execFileSync } from 'node:child_process';
import { mkdtemp, readdir, readFile, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { expectAccessible } from './accessibility';
import { Browser } from './browser';
import { Server } from './server';

/** Parts of the demo, numbered on: as many as a shop of some size has (npm run proofs), or a tenth of that. */
const SHARE = process.env['TUG_WHOLE'] === '1' ? 1 : 0.1;
const MANY = { wire: 500 * SHARE, tool: 200 * SHARE, terminal: 5000 * SHARE } as const;
/** A number as the screen shows it. */
const shown = (count: number) => String(count).replace(/(\d)(\d{3})$/, '$1\u202f$2');
const { wire: WIRES, tool: TOOLS, terminal: TERMINALS } = MANY;

describe('A shop of some size', () => {
  let server: Server;
  let browser: Browser;
  let folder: string;
  beforeAll(async () => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 240_000;
    server = await Server.open('empty');
    browser = await Browser.open(server.address);
    folder = await mkdtemp(join(tmpdir(), 'tug-mark-moving-'));
    await browser.driver.sendDevToolsCommand('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: folder,
    });
    await browser.go('/');
    await browser.fill('Name of the shop', 'Elm Yard');
    await browser.fill('Your name', 'Ada');
    await browser.fill('Password', 'ivory lathe mast 7');
    await browser.press('Open the shop');
    await browser.sees('Before the first pull');
  }, 120_000);
  afterAll(async () => {
    await browser.close();
    await server.close();
  });

  const shop = async () =>
    JSON.parse(await readFile(new URL('../../demo/shop.json', import.meta.url), 'utf8')) as Record<string, unknown[]>;
  /** A table of parts of one kind with mistakes in it, as a shop's own list would have them. */
  const table = async <K extends 'wire' | 'tool' | 'terminal'>(
    kind: K,
    spoil: (cells: string[][], at: (title: string) => number) => void,
  ) => {
    const parts = ((await shop())[`${kind}s`] ?? []).map(
      (part) => CATALOGUES[kind].schema.parse(part) as CatalogueParts[K],
    );
    const many = Array.from({ length: MANY[kind] }, (_, i) => {
      const like = parts[i % parts.length];
      if (!like) throw new Error(`the demo has no ${kind}`);
      return { ...like, part: `EY-${kind.charAt(0).toUpperCase()}${i}` };
    });
    const cells = writePartTable(kind as CatalogueKind, many as never);
    spoil(cells, (title) => cells[0]?.findIndex((heading) => heading.startsWith(title)) ?? -1);
    const path = join(folder, `${kind}s.csv`);
    const quoted = (cell: string) => (/[;"\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell);
    await writeFile(path, cells.map((row) => row.map(quoted).join(';')).join('\r\n'));
    return path;
  };
  /** The first row of a part: those of its lists follow. */
  const rowOf = (cells: string[][], part: string) => cells.findIndex((row) => row.includes(part));
  /** So many places spread over all parts of a kind. */
  const spread = (count: number, kind: keyof typeof MANY, from = 0) =>
    Array.from({ length: count }, (_, i) => from + Math.floor((i * (MANY[kind] - from)) / count));
  const put = (cells: string[][], row: number, at: number, text: string) => {
    const line = cells[row];
    if (line) line[at] = text;
  };
  const bring = async (kind: string, path: string) => {
    await browser.turnTo(`/shop/cabinet/${kind}`);
    await browser.sees(`0 of 0 ${kind}s`);
    await browser.driver.findElement(By.css('tm-cabinet-files input[type=file]')).sendKeys(path);
  };
  /** Mends the first fault that is shown, as often as there is one. */
  const mendAll = async (right: (column: string, value: string) => string) => {
    for (let i = 0; i < 60; i++) {
      await browser.drawn();
      const cells = await browser.driver.findElements(By.css('tm-table-faults input'));
      const [cell] = cells;
      if (!cell) return;
      const label = (await cell.getAttribute('aria-label')) ?? '';
      const value = (await cell.getAttribute('value')) ?? '';
      const before = await browser.driver.findElement(By.css('tm-table-faults h3')).getText();
      await cell.sendKeys(Key.chord(Key.CONTROL, 'a'), right(label.split(',')[0] ?? '', value), Key.ENTER);
      await browser.driver.wait(
        async () => {
          const said = `return document.querySelector('tm-table-faults h3')?.innerText`;
          return (await browser.driver.executeScript(said)) !== before;
        },
        20_000,
        `'${value}' in ${label} was not mended`,
      );
    }
    throw new Error('there is no end to the mistakes');
  };

  it('is brought in from three tables, forty mistakes in them found and mended on the screen', async () => {
    // 13 mistakes among the wires, one of them a column that goes by another name.
    await bring(
      'wire',
      await table('wire', (cells, at) => {
        for (const i of spread(6, 'wire')) put(cells, rowOf(cells, `EY-W${i}`), at('material'), 'cupper');
        for (const i of spread(6, 'wire', 3)) put(cells, rowOf(cells, `EY-W${i}`), at('strand diameter'), `about ${i}`);
        put(cells, 0, at('insulation diameter'), 'jacket od mm');
      }),
    );
    await browser.sees("No field of a wire is called 'jacket od mm'");
    const jacket = await browser.driver.findElement(By.css('tm-part-file-preview .heading tm-select input'));
    await browser.choose((await jacket.getAttribute('id')) ?? '', 'insulation diameter');
    await browser.sees('12 cells are not right yet');
    await expectAccessible(browser);
    await mendAll((column) => (column.startsWith('material') ? 'copper' : '0.2'));
    await browser.sees(`${WIRES} wires: ${WIRES} new`);
    await browser.press(`Keep ${WIRES} wires`);
    await browser.sees(`${WIRES} wires read, ${WIRES} of them new or changed`);

    // 12 among the terminals.
    await bring(
      'terminal',
      await table('terminal', (cells, at) => {
        for (const i of spread(4, 'terminal')) put(cells, rowOf(cells, `EY-T${i}`), at('family'), 'ring terminal');
        for (const i of spread(4, 'terminal', 40)) put(cells, rowOf(cells, `EY-T${i}`), at('temperature'), 'hot');
        for (const i of spread(4, 'terminal', 73)) put(cells, rowOf(cells, `EY-T${i}`), at('longest brush'), '-3');
      }),
    );
    await browser.driver.wait(async () => (await browser.text()).includes('cells are not right yet'), 60_000);
    await mendAll((column) =>
      column.startsWith('family') ? 'bare-terminal' : column.startsWith('temperature') ? '105' : '2',
    );
    await browser.sees(`${shown(TERMINALS)} terminals: ${shown(TERMINALS)} new`);
    await browser.press(`Keep ${shown(TERMINALS)} terminals`);
    await browser.driver.wait(
      async () => (await browser.text()).includes(`${shown(TERMINALS)} terminals read`),
      120_000,
    );

    // 15 among the tools.
    await bring(
      'tool',
      await table('tool', (cells, at) => {
        for (const i of spread(15, 'tool'))
          put(cells, rowOf(cells, `EY-T${i}`), at('calibration until'), `31.12.203${i % 3}`);
      }),
    );
    await browser.driver.wait(async () => (await browser.text()).includes('cells are not right yet'), 60_000);
    await mendAll((_, value) => value.replace(/^31\.12\./, '') + '-12-31');
    await browser.sees(`${TOOLS} tools: ${TOOLS} new`);
    await browser.press(`Keep ${TOOLS} tools`);
    await browser.sees(`${TOOLS} tools read, ${TOOLS} of them new or changed`);
    await browser.turnTo('/shop/cabinet/terminal');
    await browser.sees(`${shown(TERMINALS)} of ${shown(TERMINALS)} terminals`);
  });

  it('is written whole into one file, and moved into another that is empty, looked at before', async () => {
    await browser.go('/shop/settings');
    await browser.press('Write the file');
    const find = async () => (await readdir(folder)).find((name) => name.endsWith('.gz'));
    await browser.driver.wait(async () => (await find()) !== undefined, 60_000, 'no file was written');
    const file = join(folder, (await find()) ?? '');
    expect((await stat(file)).size).toBeGreaterThan(10_000);
    execFileSync('gzip', ['-t', file]);

    const other = await Server.open('empty');
    const page = await Browser.open(other.address);
    try {
      await page.go('/');
      await page.fill('Name of the shop', 'Nowhere');
      await page.fill('Your name', 'Bela');
      await page.fill('Password', 'ivory lathe mast 7');
      await page.press('Open the shop');
      await page.sees('Before the first pull');
      await page.go('/shop/settings');
      await page.sees('a whole shop may come in');
      await expectAccessible(page);
      await page.driver.findElement(By.css('tm-whole-shop input[type=file]')).sendKeys(file);
      await page.driver.wait(async () => (await page.text()).includes('Every chain in it is whole'), 120_000);
      await page.sees(`${shown(WIRES + TOOLS + TERMINALS)} revisions of parts`);
      await page.press('Move Elm Yard in');
      await page.driver.wait(async () => (await page.text()).includes('Elm Yard is moved in.'), 120_000);
      await page.sees('Moved in by Bela');
      await page.go('/shop/cabinet/wire');
      await page.sees(`${WIRES} of ${WIRES} wires`);
      await page.go('/shop/people');
      await page.sees('Ada');
    } finally {
      await page.close();
      await other.close();
    }
  });
});
