import { inflateSync } from 'node:zlib';
import { Firefox } from './firefox';
import { Server } from './server';

jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;

const ENTER = '\uE007';
/** Sides of A4 in points: 210 and 297 mm of 72 to 25.4 mm. */
const A4 = [595.28, 841.89] as const;

/** The objects of a PDF as text; those packed in streams unpacked. */
function objectsOf(pdf: Buffer): string {
  const text = pdf.toString('latin1');
  const packed = [...text.matchAll(/\bstream\r?\n([\s\S]*?)\r?\nendstream/g)].map(([, stream = '']) => {
    try {
      return inflateSync(Buffer.from(stream, 'latin1')).toString('latin1');
    } catch {
      return '';
    }
  });
  return [text, ...packed].join('\n');
}

/** Whether each page of a printed PDF is of A4, to a point. */
function pagesOf(pdf: Buffer): boolean[] {
  return [...objectsOf(pdf).matchAll(/\/MediaBox\s*\[([^\]]*)\]/g)].map(([, box = '']) => {
    const [left = 0, top = 0, right = 0, bottom = 0] = box.trim().split(/\s+/).map(Number);
    return Math.abs(right - left - A4[0]) <= 1 && Math.abs(bottom - top - A4[1]) <= 1;
  });
}

/* What the journeys do in Chromium, in short in Firefox: a person signs in, judges a pull of a lot, and prints. */
describe('In another browser', () => {
  let server: Server;
  let browser: Firefox;
  beforeAll(async () => {
    server = await Server.open('demo');
    browser = await Firefox.open(server.address);
  });
  afterAll(async () => {
    await browser.close();
    await server.close();
  });

  it('a technician makes pieces up to the next check, looks, pulls, and keeps a pull that holds', async () => {
    await browser.go('/');
    await browser.press('Odile, technician');
    await browser.sees('Odile ·');
    await browser.press('Lots', 'link');
    await browser.press('L-0407', 'link');
    await browser.press('Piece 201 is made');
    await browser.sees('Check piece 201 now');
    await browser.keys('a');
    await browser.sees('Pull piece 201');
    await browser.keys('148.2', ENTER);
    await browser.sees('40.2 N above the limit');
    await browser.press('1 Slid out of the barrel');
    await browser.press('Keep the pull');
    await browser.sees('then check piece 251');
    expect(await browser.text()).toMatch(/201\s+as drawn\s+148\.2\s+holds/);
  });

  it('finds the pull on record after the page is loaded again', async () => {
    await browser.go('/lots');
    await browser.press('L-0407', 'link');
    await browser.sees('then check piece 251');
    expect(await browser.text()).toMatch(/201\s+as drawn\s+148\.2\s+holds/);
  });

  it('prints the set-up sheet and the record on A4', async () => {
    await browser.press('Set-up sheet', 'link');
    await browser.sees('Print at 100 %');
    await browser.shows('.sheet svg');
    const drawn = Number(await browser.run('() => String(document.querySelectorAll(".sheet").length)', []));
    expect(drawn).toBeGreaterThan(0);
    // Paper for paper what is drawn: none is cut off, shrunk, or followed by an empty one.
    expect(pagesOf(await browser.print(0))).toEqual(Array.from({ length: drawn }, () => true));
    await browser.press('Back to the bench', 'link');
    await browser.press('The set-up’s stages', 'link');
    await browser.press('Record', 'link');
    await browser.sees('Journal,');
    // A journal of dozens of entries does not fit one page.
    const record = pagesOf(await browser.print(1.5));
    expect(record).not.toContain(false);
    expect(record.length).toBeGreaterThan(1);
  });
});
