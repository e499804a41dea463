import type { LoomWire } from '@tug-mark/contract';
import { Bench } from '../testing/bench';
import { LoomPage } from './loom-page';

const WIRE: LoomWire = {
  ...{
    wire: 'W-075',
    wireLabel: '0.75 mm² red',
    wires: 6,
    ids: ['A1', 'A2'],
    more: true,
    first: 'B',
    why: 'The boot passes neither.',
  },
  a: { terminal: 'RB', label: 'bare ring', joined: false },
  b: { terminal: 'BS', label: 'splice', joined: true },
  steps: [
    { end: 'B', does: 'slide-on', text: 'boot onto end B' },
    { end: 'B', does: 'crimp', text: 'BS at end B' },
    { end: 'A', does: 'still-on', text: 'look: boot of end B is on' },
    { end: 'A', does: 'crimp', text: 'RB at end A' },
  ],
  reasons: [
    { bad: false, text: 'boot: bore 6 mm does not pass the ring.' },
    { bad: true, text: 'boot does not go onto the wire.' },
  ],
};

describe('Both ends of the wires of a list', () => {
  let bench: Bench<LoomPage>;
  afterEach(() => {
    bench.close();
  });
  const open = async (loom: () => Promise<unknown>) => {
    bench = await Bench.open(LoomPage, { inputs: { id: 'l1' }, api: { loom } as never });
  };

  it('tell wire by wire what is done at which end, in the order of the work', async () => {
    const asked = jasmine.createSpy('loom').and.resolveTo({ name: 'Sprayer loom', wires: [WIRE] });
    await open(asked);
    expect(asked).toHaveBeenCalledOnceWith('l1');
    expect(bench.headline).toBe('Both ends of its wires: Sprayer loom');
    const steps = [...bench.element.querySelectorAll('ol li')].map((li) => li.textContent?.trim());
    expect(steps).toEqual([
      'Slide on boot onto end B',
      'Make BS at end B',
      'Then look: boot of end B is on',
      'Make RB at end A',
    ]);
    expect(bench.text).toContain('0.75 mm² red: A1, A2 ...');
    expect(bench.text).toContain('splice, meets other wires');
  });

  it('mark what is wrong, and only that', async () => {
    await open(() => Promise.resolve({ name: 'Sprayer loom', wires: [WIRE] }));
    const marked = [...bench.element.querySelectorAll('tm-mark')].map((mark) =>
      mark.parentElement?.textContent?.trim(),
    );
    expect(marked.length).toBe(1);
    expect(marked[0]).toContain('does not go onto the wire');
  });

  it('say what happened where the list cannot be read', async () => {
    await open(() => Promise.reject(new Error('no network')));
    expect(bench.element.querySelector('tm-problem')).not.toBeNull();
    expect(bench.text).not.toContain('Reading the list');
  });
});
