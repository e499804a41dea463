import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { LotLine } from './lot-line';
import type { SamplePiece } from './lot-line.layout';
import { TugLine } from './tug-line';
import { chooseFlags, placeFlags, tugScale, type TugFlag } from './tug-line.layout';

describe('The tug line', () => {
  it('puts at most ten round ticks on the scale and leaves room past the breaking load', () => {
    for (const breaks of [33, 177, 930, 11_800]) {
      const scale = tugScale(940, breaks / 2, breaks, []);
      expect(scale.ticks.length).toBeGreaterThan(3);
      expect(scale.ticks.length).toBeLessThanOrEqual(10);
      expect(scale.x(breaks)).toBeLessThan(940);
      const step = scale.ticks[0]?.force ?? 0;
      expect([1, 2, 5]).toContain(Number((step / 10 ** Math.floor(Math.log10(step))).toFixed(6)));
    }
  });

  it('stands flags that are close together on different rows', () => {
    const flags = [109.8, 111.5, 112.9, 114.1, 116.7].map((force, i) => ({
      piece: i + 1,
      force,
      verdict: 'holds' as const,
      current: false,
    }));
    const placed = placeFlags(flags, (force) => force * 4.5);
    expect(new Set(placed.map((f) => f.row)).size).toBe(5);
    // The strongest stands lowest, so that no pole crosses a number to its left.
    expect(placed.find((f) => f.force === 116.7)?.row).toBe(0);
  });

  it('of very many readings flags what matters: the one in hand, those that fail, the lowest, the newest', () => {
    const flags = Array.from({ length: 400 }, (_, i): TugFlag => ({
      piece: i + 1,
      force: i === 77 ? 86 : 110 + ((i * 37) % 60) / 10,
      verdict: i === 12 || i === 300 ? 'below' : 'holds',
      current: i === 399,
    }));
    const chosen = chooseFlags(flags);
    const pieces = chosen.flags.map((f) => f.piece);
    expect(pieces.length).toBe(20);
    for (const piece of [400, 13, 301, 78, 399, 398]) expect(pieces).toContain(piece);
    expect([...chosen.flags, ...chosen.marks].map((f) => f.piece).sort((a, b) => a - b)).toEqual(
      flags.map((f) => f.piece),
    );
    expect(chooseFlags(flags.slice(0, 20)).marks).toEqual([]);
  });

  it('tells limit, breaking load and every reading to those who do not see it', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(TugLine);
    fixture.componentRef.setInput('limit', 85);
    fixture.componentRef.setInput('breaks', 177.19);
    fixture.componentRef.setInput('flags', [{ piece: 1, force: 84.96, verdict: 'below', current: false }]);
    await fixture.whenStable();
    const said = (fixture.nativeElement as HTMLElement).querySelector('svg')?.getAttribute('aria-label');
    expect(said).toContain('Limit 85.0 N; the wire itself breaks near 177 N.');
    expect(said).toContain('piece 1:');
    expect(said).toContain('below');
  });

  it('shows the same scale in pounds-force', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(TugLine);
    for (const [name, value] of Object.entries({ limit: 85, breaks: 177.19, flags: [], unit: 'lbf' }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    // 85 / 4.44822 = 19.1
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('limit 19.1');
  });
});

describe('The line of samples', () => {
  it('of very many draws the newest, and those something is wrong with, and counts the rest', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(LotLine);
    const samples = Array.from({ length: 2000 }, (_, i): SamplePiece => ({
      piece: i + 1,
      look: 'accepted',
      tug: i + 1 === 7 ? 'below' : 'holds',
    }));
    for (const [name, value] of Object.entries({ title: '', said: '', samples, pieces: 400 })) {
      fixture.componentRef.setInput(name, value);
    }
    await fixture.whenStable();
    const drawn = () =>
      [...(fixture.nativeElement as HTMLElement).querySelectorAll('li .figures')].map((n) => Number(n.textContent));
    const more = () => (fixture.nativeElement as HTMLElement).querySelector('.more')?.textContent;
    expect(drawn()).toEqual([7, 1990, 1991, 1992, 1993, 1994, 1995, 1996, 1997, 1998, 1999, 2000]);
    expect(more()).toBe('1988 more');
    // More that are wrong than there is room for are told by number.
    fixture.componentRef.setInput(
      'samples',
      samples.map((sample) => (sample.piece <= 20 ? { ...sample, look: 'rejected' } : sample)),
    );
    await fixture.whenStable();
    expect(drawn()).toEqual([15, 16, 17, 18, 19, 20, 1995, 1996, 1997, 1998, 1999, 2000]);
    expect(more()).toBe('1988 more, 14 not good');
    fixture.componentRef.setInput('samples', samples.slice(0, 12));
    await fixture.whenStable();
    expect(drawn().length).toBe(12);
    expect(more()).toBeUndefined();
  });
});
