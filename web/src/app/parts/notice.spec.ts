import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { Bench } from '../testing/bench';
import { Notice } from './notice';
import { ProblemNotice } from './problem-notice';
import { Progress } from './progress';
import { RangeBar } from './range-bar';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Notice, ProblemNotice, Progress, RangeBar],
  template: `
    <tm-notice>A note</tm-notice>
    <tm-notice announced>A note that comes</tm-notice>
    <tm-notice kind="good">Kept</tm-notice>
    <tm-notice kind="bad">Refused</tm-notice>
    <tm-problem [problem]="problem()" />
    <tm-progress label="Sheets" [done]="done()" [of]="of()" />
    <tm-range-bar [value]="0.75" [min]="0.5" [max]="1.5" [band]="0.05" unit="mm²" />
  `,
})
class Page {
  readonly problem = signal({
    title: 'The list cannot be taken in.',
    detail: 'Two rows are wrong.',
    total: 3,
    errors: [
      { row: 4, where: 'wire', text: 'Nobody knows W-9.' },
      { row: 7, where: 'pieces', text: 'is no number' },
    ],
  } as never);
  readonly done = signal(3);
  readonly of = signal(12);
}

describe('What a page says', () => {
  let bench: Bench<Page>;
  const all = (selector: string) => [...bench.element.querySelectorAll(selector)];
  beforeEach(async () => {
    bench = await Bench.open(Page);
  });
  afterEach(() => {
    bench.close();
  });

  it('is announced when something is wrong, done or new, and never by colour alone', () => {
    const told = all('tm-notice')
      .slice(0, 4)
      .map((notice) => [notice.getAttribute('role'), notice.textContent?.trim()]);
    expect(told).toEqual([
      [null, 'noteA note'],
      ['status', 'noteA note that comes'],
      ['status', 'passedKept'],
      ['alert', 'failedRefused'],
    ]);
  });

  it('names the row, the column and the fault of a refusal, and how many more there are', () => {
    const [table] = all('tm-problem');
    expect([...(table?.querySelectorAll('th') ?? [])].map((th) => th.textContent)).toEqual([
      'Row',
      'Column',
      'What is wrong',
    ]);
    const cells = [...(table?.querySelectorAll('tbody tr:last-child td') ?? [])].map((td) => td.textContent?.trim());
    expect(cells).toEqual(['7', 'pieces', 'is no number']);
    expect(table?.textContent).toContain('... and 1 more.');
  });

  it('leaves the row out where a fault is about none', async () => {
    bench.fixture.componentInstance.problem.set({
      title: 'Refused.',
      detail: '',
      errors: [{ where: 'name', text: 'is taken' }],
    } as never);
    await bench.settle();
    expect(all('tm-problem th').map((th) => th.textContent)).toEqual(['Where', 'What is wrong']);
    expect(all('tm-problem')[0]?.textContent).not.toContain('more.');
  });

  it('tells how far long work is, in its numbers, or that nobody knows yet', async () => {
    const bar = () => {
      const [found] = all('[role=progressbar]');
      return ['aria-label', 'aria-valuenow', 'aria-valuemax'].map((name) => found?.getAttribute(name));
    };
    expect(bar()).toEqual(['Sheets', '3', '12']);
    expect(bench.element.querySelector<HTMLElement>('.ant-progress-bg')?.style.width).toBe('25%');
    bench.fixture.componentInstance.of.set(0);
    await bench.settle();
    expect(bar()).toEqual(['Sheets', null, null]);
  });

  it('places a value in its range by ratio, as sizes go', () => {
    const svg = bench.element.querySelector('tm-range-bar svg');
    expect(svg?.getAttribute('aria-label')).toBe('0.75 mm² on a range of 0.5 to 1.5.');
    const x = (selector: string) => Number(svg?.querySelector(selector)?.getAttribute('x'));
    const ends = { low: 0.3, high: 2.4 };
    const at = (value: number) => (420 * Math.log(value / ends.low)) / Math.log(ends.high / ends.low);
    expect(x('rect.in')).toBeCloseTo(at(0.5), 6);
    expect(x('rect.edge')).toBeCloseTo(at(0.5 * 0.95), 6);
    expect(x('text.value') - 11).toBeCloseTo(at(0.75), 6);
  });
});
