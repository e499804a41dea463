import type { Gauge } from '@tug-mark/contract';
import { Bench } from '../../testing/bench';
import { GaugeBar } from './gauge-bar';

const gauge = (id: string, changes: Partial<Gauge> = {}): Gauge =>
  ({
    ...{ id, kind: 'force', label: `Gauge ${id}`, rate: 10, capacity: 500, active: true },
    ...{ calibrationUntil: '2999-01-01', traceCommand: null },
    ...changes,
  }) as Gauge;
const REST = Array.from({ length: 20 }, () => 0);

describe('The bar of the station’s gauge', () => {
  let bench: Bench<GaugeBar>;
  let zero: jasmine.Spy;
  afterEach(() => {
    bench.close();
  });
  const open = async (...gauges: Gauge[]) => {
    zero = jasmine.createSpy('zero').and.resolveTo({ sent: true });
    bench = await Bench.open(GaugeBar, {
      inputs: { limit: 85, breaks: 177, unit: 'N' },
      api: { gauges: () => Promise.resolve(gauges), zeroGauge: zero },
    });
    // Read by the pull that is made on it: opened here as a pull's page does.
    await bench.fixture.componentInstance['gauge'].open();
    await bench.settle();
  };
  const hear = async (forces: number[], changes: object = {}) => {
    bench.hear({
      ...{ kind: 'forces', at: Date.now(), forces, overload: false, garbled: 0, otherUnit: null, skipped: false },
      ...changes,
    });
    await bench.settle();
  };
  const connect = async () => {
    bench.hear({ kind: 'state', state: 'connected', text: '' });
    await bench.settle();
  };

  it('offers the gauges in use, and that values are typed', async () => {
    await open(gauge('G-1'), gauge('G-2', { active: false }));
    expect(await bench.offers('station-gauge')).toEqual(['none, values are typed', 'Gauge G-1']);
  });

  it('shows the force once the gauge is there, and says so while it is not', async () => {
    await open(gauge('G-1'));
    await bench.choose('station-gauge', 'Gauge G-1');
    expect(bench.element.querySelector('[role=alert]')?.textContent).toContain('Connecting.');
    await connect();
    await hear([0, 40.04]);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(bench.element.querySelector('.now')?.textContent?.replace(/\s+/g, ' ').trim()).toBe('40.0 N');
    await hear([-0.02]);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(bench.element.querySelector('.now')?.textContent?.trim()).toMatch(/^0\.0/);
  });

  it('lets a pull be taken as far as it was seen when the gauge is lost in it', async () => {
    await open(gauge('G-1'));
    await bench.choose('station-gauge', 'Gauge G-1');
    await connect();
    await hear(REST);
    await hear([40, 92.2]);
    bench.hear({ kind: 'state', state: 'lost', text: 'It does not answer.' });
    await bench.settle();
    expect(bench.text).toContain('The pull in hand stands at 92.2 N.');
    const taken: number[] = [];
    bench.fixture.componentInstance['gauge'].pulls.subscribe(({ pull }) => taken.push(pull.peak));
    await bench.press('Take it as it is');
    expect(taken).toEqual([92.2]);
  });

  it('warns of an overload, of a calibration that ran out, and of lines that are no readings', async () => {
    await open(gauge('G-1', { calibrationUntil: '2020-03-31' }));
    await bench.choose('station-gauge', 'Gauge G-1');
    await connect();
    expect(bench.text).toContain('Its calibration ran out on 31 Mar 2020');
    await hear([600], { overload: true });
    expect(bench.text).toContain('Overload. Stop pulling.');
    for (let i = 0; i < 4; i++) await hear([], { garbled: 5 });
    expect(bench.text).toContain('Lines come in that are no readings.');
    expect(bench.text).not.toContain('Overload. Stop pulling.');
  });

  it('zeroes the gauge, or says that its own key does', async () => {
    await open(gauge('G-1'));
    await bench.choose('station-gauge', 'Gauge G-1');
    await connect();
    await bench.press('Zero');
    expect(zero).toHaveBeenCalledOnceWith('G-1');
    expect(bench.text).not.toContain('takes no zero from here');
    zero.and.resolveTo({ sent: false });
    await bench.press('Zero');
    expect(bench.text).toContain('This gauge takes no zero from here: press its own key.');
  });
});
