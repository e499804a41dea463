import type { Gauge } from '@tug-mark/contract';
import { ApiProblem } from '../../http/api';
import { Bench } from '../../testing/bench';
import { GaugesPage } from './gauges-page';

const gauge = (changes: Partial<Gauge> = {}): Gauge => ({
  id: 'G-1',
  kind: 'force',
  label: 'Gauge G-1',
  host: '127.0.0.1',
  port: 4881,
  pattern: 'F {value} {unit} {status}',
  unit: 'N',
  rate: 1000,
  capacity: 500,
  startCommand: '',
  zeroCommand: '',
  traceCommand: '',
  calibrationUntil: '2031-12-31',
  active: true,
  ...changes,
});

describe('The shop’s gauges', () => {
  let bench: Bench<GaugesPage>;
  afterEach(() => {
    bench.close();
  });
  const open = async (role: 'engineer' | 'technician', keepGauge = jasmine.createSpy('keepGauge')) => {
    const gauges = [gauge(), gauge({ id: 'G-2', label: 'Gauge G-2', calibrationUntil: '2020-01-31' })];
    bench = await Bench.open(GaugesPage, { role, api: { gauges: () => Promise.resolve(gauges), keepGauge } });
    await bench.settle();
    return keepGauge;
  };

  it('are shown to everyone with where they are and until when they are calibrated; an engineer changes them', async () => {
    await open('technician');
    expect(bench.text).toContain('127.0.0.1:4881 · F {value} {unit} {status} · N · 1000/s · to 500 N');
    expect(bench.element.querySelectorAll('li tm-mark').length).toBe(1);
    expect(bench.has('Change G-1')).toBeFalse();
    expect(bench.has('Enter a gauge')).toBeFalse();
  });

  it('are tried on a line of theirs before they are kept', async () => {
    const keep = await open('engineer');
    await bench.press('Change G-1');
    await bench.type('gauge-line', 'F +26.6 lbf OK');
    // 26.6 lbf x 4.44822 = 118.32 N
    expect(bench.text).toContain('Read as 118.32 N, sent in lbf.');
    await bench.type('gauge-line', '26.6');
    expect(bench.text).toContain('The pattern does not fit this line');
    await bench.type('gauge-pattern', '{value}');
    expect(bench.text).toContain('Read as 26.60 N.');
    await bench.type('gauge-pattern', '{force}');
    expect(bench.text).toContain('no place here');
    await bench.type('gauge-pattern', '{value}');
    keep.and.resolveTo([gauge({ pattern: '{value}' })]);
    await bench.press('Keep it');
    await bench.submit('form');
    expect(keep).toHaveBeenCalledWith(jasmine.objectContaining({ id: 'G-1', pattern: '{value}', port: 4881 }));
  });

  it('that are not right keep what was typed, with every fault at its field: the form’s own, then the server’s', async () => {
    const keep = await open('engineer');
    await bench.press('Enter a gauge');
    await bench.type('gauge-id', 'G-3');
    await bench.type('gauge-port', 'many');
    await bench.submit('form');
    expect(bench.element.querySelector('#gauge-port-fault')?.textContent).toBe('is no number');
    expect(bench.element.querySelector('#gauge-label-fault')?.textContent).toBe('is empty');
    expect(bench.element.querySelector<HTMLInputElement>('#gauge-port')?.value).toBe('many');
    expect(keep).not.toHaveBeenCalled();
    await bench.press('Leave it');
    await bench.press('Change G-1');
    keep.and.rejectWith(
      new ApiProblem({
        type: '',
        title: 'Something is not as it has to be.',
        status: 422,
        detail: '',
        code: 'shape-wrong',
        errors: [{ where: 'port', text: 'is taken by another gauge' }],
      }),
    );
    await bench.submit('form');
    expect(bench.element.querySelector('#gauge-port-fault')?.textContent).toBe('is taken by another gauge');
    expect(bench.element.querySelector('#gauge-port')?.getAttribute('aria-invalid')).toBe('true');
  });
});
