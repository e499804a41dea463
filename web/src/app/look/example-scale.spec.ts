import { setUpContext } from '@tug-mark/contract';
import { computeSetUp, examples } from '@tug-mark/core';
import { Bench, TOOL_TAKEN, viewOf } from '../testing/bench';
import { PointExamples } from './point-examples';

describe('What a point looks like', () => {
  let bench: Bench<PointExamples>;
  afterEach(() => {
    bench.close();
  });
  const setUp = () => {
    const view = viewOf({ entries: [TOOL_TAKEN()] });
    return computeSetUp(setUpContext(view), view.entries, new Date().toISOString());
  };
  const open = async (code: string, choosing = false) => {
    const { look, criteria } = setUp();
    const found = criteria.find((c) => c.code === code);
    if (!look || !found) throw new Error(`no point ${code}`);
    bench = await Bench.open(PointExamples, { inputs: { look, criterion: found, choosing } });
    return { look, criterion: found };
  };
  const words = () =>
    [...bench.element.querySelectorAll('tm-example-scale tm-example-name')].map((e) => e.textContent?.trim());

  it('is laid along the scale of its number: too little, right, too much, each joined to its place', async () => {
    await open('brush');
    expect(words().map((text) => text?.replace(/^\S+ /, '').trim())).toEqual([
      'Wire not through the barrel',
      'Wire not through the barrel: just good enough',
      'As drawn',
      'Wire stands too far out: just good enough',
      'Wire stands too far out',
    ]);
    const places = [...bench.element.querySelectorAll('tm-example-scale > svg circle')].map((c) =>
      Number(c.getAttribute('cy')),
    );
    expect(places).toEqual([...places].sort((a, b) => a - b));
    // What is good is the stretch the two that are just good enough lie in, at its ends as they are shown.
    const [, from, to] =
      /M46 ([\d.]+)V([\d.]+)/.exec(
        bench.element.querySelector('tm-example-scale > svg .good')?.getAttribute('d') ?? '',
      ) ?? [];
    const [low = NaN, high = NaN] = [places[1], places[3]];
    expect(low - Number(from)).toBeGreaterThanOrEqual(0);
    expect(Number(to) - high).toBeGreaterThanOrEqual(0);
    expect(low - Number(from) + Number(to) - high).toBeLessThan(10);
    expect(
      [...bench.element.querySelectorAll('tm-example-scale > svg circle')].map((c) => c.getAttribute('class'))[2],
    ).toBe('pass');
  });

  it('takes a drawing for the fault it shows while one is being named, under the key that names it elsewhere', async () => {
    const { look, criterion } = await open('brush', true);
    const chosen: string[] = [];
    bench.fixture.componentInstance.choose.subscribe((code) => chosen.push(code));
    const faults = examples(look, criterion).filter((e) => e.kind === 'wrong');
    expect([...bench.element.querySelectorAll('kbd')].map((k) => k.textContent)).toEqual(['1', '2']);
    // From the lowest to the highest; what is just good enough is no fault to be named.
    for (const button of bench.element.querySelectorAll<HTMLButtonElement>('tm-example-scale button')) button.click();
    await bench.settle();
    expect(chosen).toEqual(faults.map(({ fault }) => fault?.code ?? ''));
  });

  it('is drawn side by side where no number tells: by the eye alone', async () => {
    await open('barrel');
    expect(bench.element.querySelector('tm-example-scale')).toBeNull();
    expect(bench.element.querySelectorAll('li').length).toBeGreaterThan(0);
  });
});
