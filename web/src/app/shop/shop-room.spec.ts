import { GLOSSARY } from '@tug-mark/core';
import { GlossaryPage } from '../glossary/glossary-page';
import { TermHelp } from '../glossary/term';
import { Bench } from '../testing/bench';
import { ShopRoom } from './shop-room';

describe('The shop’s room', () => {
  const shelves = async (role: 'technician' | 'engineer') => {
    const bench = await Bench.open(ShopRoom, { role });
    const found = [...bench.element.querySelectorAll('nav a')].map((a) => a.textContent?.trim() ?? '');
    bench.close();
    return found;
  };

  it('leads to everything the shop has and goes by', async () => {
    expect(await shelves('technician')).toEqual([
      ...['Cabinet', 'Finder', 'Tools and checks', 'Gauges and calipers', 'Limits', 'Inspection points'],
      ...['House rules', 'Studies of looking', 'What the words mean'],
    ]);
  });

  it('leads to the people only those who keep them', async () => {
    expect(await shelves('technician')).not.toContain('People');
    expect((await shelves('engineer')).slice(-2)).toEqual(['People', 'This shop']);
  });
});

describe('A term of the trade', () => {
  it('says what it means behind a press, and to whoever hears the screen at once', async () => {
    const [entry] = GLOSSARY;
    if (!entry) throw new Error('no term');
    const bench = await Bench.open(TermHelp, { inputs: { of: entry.term } });
    const button = bench.element.querySelector('button');
    const said = document.getElementById(button?.getAttribute('aria-describedby') ?? '');
    expect(said?.textContent).toBe(entry.text);
    expect(button?.getAttribute('aria-expanded')).toBe('false');
    button?.click();
    await bench.settle();
    expect(button?.getAttribute('aria-expanded')).toBe('true');
    button?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await bench.settle();
    expect(button?.getAttribute('aria-expanded')).toBe('false');
    bench.close();
  });

  it('is found with all the others on one page, each once and each with its meaning', async () => {
    const bench = await Bench.open(GlossaryPage);
    const terms = [...bench.element.querySelectorAll('dt')].map((dt) => dt.textContent?.trim() ?? '');
    expect(new Set(terms).size).toBe(GLOSSARY.length);
    for (const dd of bench.element.querySelectorAll('dd')) expect(dd.textContent?.trim().length).toBeGreaterThan(20);
    bench.close();
  });
});
