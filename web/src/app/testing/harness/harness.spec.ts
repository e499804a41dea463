import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { ChoiceButtons } from '../../parts/choice-buttons';
import { Select } from '../../parts/select';
import { Tick } from '../../parts/tick';
import { Bench } from '../bench';
import { ChoiceButtonsHarness } from './choice-buttons.harness';
import { SelectHarness } from './select.harness';
import { TickHarness } from './tick.harness';

const letters = (many: number) =>
  Array.from({ length: many }, (_, i) => ({ value: `v${i}`, label: `letter ${String.fromCharCode(97 + i)}` }));

@Component({
  imports: [ChoiceButtons, Select, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-select selectId="short" [options]="short" [(value)]="few" />
    <tm-select selectId="long" [options]="long" [(value)]="many" />
    <tm-tick [(value)]="isTicked">with care</tm-tick>
    <tm-choice-buttons label="How it stands" [options]="ways" [(value)]="way" />
  `,
})
class Parts {
  readonly short = letters(3);
  readonly long = letters(20);
  readonly ways = [
    { value: 'all', label: 'all' },
    { value: 'held', label: 'held' },
  ];
  readonly few = signal<string | null>(null);
  readonly many = signal<string | null>('v3');
  readonly isTicked = signal(false);
  readonly way = signal<string | null>(null);
}

describe('A part of the kit', () => {
  let bench: Bench<Parts>;
  beforeEach(async () => {
    bench = await Bench.open(Parts);
  });
  afterEach(() => {
    bench.close();
  });

  it('is a list that is chosen from by its words', async () => {
    const list = await bench.part(SelectHarness.with({ id: 'short' }));
    expect(await list.offers()).toEqual(['letter a', 'letter b', 'letter c']);
    await list.choose('letter b');
    expect(bench.fixture.componentInstance.few()).toBe('v1');
    expect(await list.chosen()).toBe('letter b');
    await expectAsync(list.choose('letter q')).toBeRejectedWithError(/offers no 'letter q', but: letter a/);
  });

  it('is a long list that is searched by typing', async () => {
    const list = await bench.part(SelectHarness.with({ id: 'long' }));
    expect(await list.chosen()).toBe('letter d');
    await list.choose('letter r');
    expect(bench.fixture.componentInstance.many()).toBe('v17');
  });

  it('is a tick that is turned, and turned back', async () => {
    const tick = await bench.part(TickHarness.with({ text: 'with care' }));
    await tick.turn();
    expect([await tick.isTicked(), bench.fixture.componentInstance.isTicked()]).toEqual([true, true]);
    await tick.turn();
    expect(bench.fixture.componentInstance.isTicked()).toBeFalse();
  });

  it('is one of a few buttons, none of them at first', async () => {
    const buttons = await bench.part(ChoiceButtonsHarness.with({ label: 'How it stands' }));
    expect(await buttons.chosen()).toBeNull();
    await buttons.choose('held');
    expect([await buttons.chosen(), bench.fixture.componentInstance.way()]).toEqual(['held', 'held']);
  });
});
