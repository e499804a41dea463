import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { Bench } from '../testing/bench';
import { SelectHarness } from '../testing/harness/select.harness';
import { Select } from './select';

const options = ['none', 'first gauge', 'second gauge'].map((label, i) => ({ value: String(i), label }));

describe('A list that opens', () => {
  let bench: Bench<Select>;
  beforeEach(async () => {
    bench = await Bench.open(Select, { inputs: { selectId: 'gauge', options, value: '1' } });
  });
  afterEach(() => {
    bench.close();
  });
  const field = () => bench.element.querySelector('input');

  it('tells whoever hears the screen what it is, what is chosen and whether it is open', async () => {
    expect([field()?.getAttribute('role'), field()?.getAttribute('aria-expanded')]).toEqual(['combobox', 'false']);
    const told = document.getElementById(field()?.getAttribute('aria-describedby') ?? '');
    expect(told?.textContent).toBe('first gauge');
    bench.element.querySelector<HTMLElement>('nz-select')?.click();
    await new Promise((later) => setTimeout(later, 60));
    await bench.settle();
    expect(field()?.getAttribute('aria-expanded')).toBe('true');
    const box = document.getElementById(field()?.getAttribute('aria-controls') ?? '');
    expect(box?.getAttribute('role')).toBe('listbox');
    const told2 = [...(box?.querySelectorAll('[role=option]') ?? [])].map((option) => [
      option.textContent?.trim(),
      option.getAttribute('aria-selected'),
    ]);
    expect(told2).toEqual([
      ['none', 'false'],
      ['first gauge', 'true'],
      ['second gauge', 'false'],
    ]);
    const active = document.getElementById(field()?.getAttribute('aria-activedescendant') ?? '');
    expect(active).toBe(document.querySelector<HTMLElement>('.of-gauge .ant-select-item-option-active'));
    field()?.dispatchEvent(new KeyboardEvent('keydown', { keyCode: 40, bubbles: true } as KeyboardEventInit));
    await bench.settle();
    const next = document.getElementById(field()?.getAttribute('aria-activedescendant') ?? '');
    expect(next).not.toBe(active);
    expect(next).toBe(document.querySelector<HTMLElement>('.of-gauge .ant-select-item-option-active'));
  });

  it('is opened by an arrow', async () => {
    field()?.dispatchEvent(new KeyboardEvent('keydown', { keyCode: 40, bubbles: true } as KeyboardEventInit));
    await bench.settle();
    expect(field()?.getAttribute('aria-expanded')).toBe('true');
  });

  it('gives what is chosen by touch', async () => {
    const chosen: (string | null)[] = [];
    bench.fixture.componentInstance.value.subscribe((value) => chosen.push(value));
    await (await TestbedHarnessEnvironment.harnessForFixture(bench.fixture, SelectHarness)).choose('second');
    expect(chosen).toEqual(['2']);
  });
});
