import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { Subject } from 'rxjs';
import { Api } from '../../http/api';
import { Live } from '../../live/live';
import { settingsActions, settingsFeature } from '../../settings/settings.state';
import { StationGauge, type StationPull } from './station-gauge';
import { TraceReader } from './trace-reader';

const gauge = (id: string, changes: Partial<Gauge> = {}): Gauge =>
  ({ id, kind: 'force', label: `Gauge ${id}`, rate: 10, capacity: 500, active: true, ...changes }) as Gauge;
const SHOP = [gauge('G-1'), gauge('G-2', { active: false }), gauge('C-1', { kind: 'caliper' } as Partial<Gauge>)];
const REST = Array.from({ length: 20 }, () => 0);

describe('The force gauge of a station', () => {
  let events: Subject<GaugeEvent>;
  let pulls: StationPull[];
  let api: { gauges: () => Promise<Gauge[]>; zeroGauge: () => Promise<{ sent: boolean }> };
  const open = (keptGauge: string | null = null) => {
    localStorage.clear();
    sessionStorage.clear();
    events = new Subject();
    pulls = [];
    api = { gauges: () => Promise.resolve(SHOP), zeroGauge: () => Promise.resolve({ sent: true }) };
    const live = { gauge: signal<string | null>(null), gaugeEvents: events };
    const file = 'force\n0\n40\n90\n3\n';
    const readFile = (text: string) =>
      Promise.resolve(
        text === file
          ? { ok: true, trace: { rate: 10, forces: Float64Array.of(1, 41, 91, 4) } }
          : { ok: false, row: 3, column: 'force', text: '‘strong’ is no number.' },
      );
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore({ [settingsFeature.name]: settingsFeature.reducer }),
        { provide: Api, useValue: { gauges: () => api.gauges(), zeroGauge: () => api.zeroGauge() } },
        { provide: Live, useValue: live },
        { provide: TraceReader, useValue: { readFile } },
      ],
    });
    TestBed.inject(Store).dispatch(settingsActions.set({ changes: { gauge: keptGauge } }));
    const station = TestBed.inject(StationGauge);
    station.pulls.subscribe((pull) => pulls.push(pull));
    return { station, live, file };
  };
  const hear = (...forces: number[]) => {
    const about = { overload: false, garbled: 0, otherUnit: null, skipped: false };
    events.next({ kind: 'forces', at: Date.now(), forces, ...about });
  };

  it('is one of the shop’s force gauges that are in use', async () => {
    const { station, live } = open();
    await station.open();
    expect(station.gauges()?.map((g) => g.id)).toEqual(['G-1', 'G-2']);
    station.choose('G-2');
    expect([station.chosen(), live.gauge()]).toEqual([null, null]);
    station.choose('G-1');
    expect(station.chosen()?.id).toBe('G-1');
  });

  it('is taken up again as it was left, and stays the station’s while the shop’s gauges are not known', async () => {
    const { station, live } = open('G-1');
    api.gauges = () => Promise.reject(new Error('silent'));
    await station.open();
    expect(live.gauge()).toBeNull();
    api.gauges = () => Promise.resolve(SHOP);
    await station.open();
    expect(live.gauge()).toBe('G-1');
  });

  it('tells each pull with its gauge and its place in time, and none while no gauge is chosen', async () => {
    const { station } = open();
    await station.open();
    hear(...REST, 40, 118, 0, ...REST);
    expect(pulls).toEqual([]);
    station.choose('G-1');
    hear(...REST);
    hear(40, 118);
    expect(station.peak()).toBe(118);
    hear(0, ...REST);
    expect(pulls.map(({ pull, gauge: own, key }) => [pull.peak, own?.id, key?.gauge])).toEqual([[118, 'G-1', 'G-1']]);
    expect(station.peak()).toBe(0);
  });

  it('settles a pull as far as it was seen when the gauge does not come back', async () => {
    const { station } = open();
    await station.open();
    station.choose('G-1');
    hear(...REST);
    hear(40, 118);
    events.next({ kind: 'state', state: 'lost', text: 'It does not answer.' });
    station.settle();
    expect(pulls.map(({ pull }) => [pull.peak, pull.doubts.includes('gauge-lost')])).toEqual([[118, true]]);
    expect(station.state().text).toBe('It does not answer.');
  });

  it('says that it takes no zero from here, until another is chosen', async () => {
    const { station } = open();
    await station.open();
    station.choose('G-1');
    await station.zero();
    expect(station.refusesZero()).toBeFalse();
    api.zeroGauge = () => Promise.reject(new Error('no'));
    await station.zero();
    hear(...REST);
    expect(station.refusesZero()).toBeTrue();
    station.choose('G-1');
    expect(station.refusesZero()).toBeFalse();
  });

  it('takes a pull from a file above its first reading, or says which row is wrong', async () => {
    const { station, file } = open();
    expect(await station.takeFile(new Blob([file]))).toBeNull();
    expect(pulls.map(({ pull, gauge: own, key }) => [pull.peak, own, key])).toEqual([[90, null, null]]);
    expect(await station.takeFile(new Blob(['force\nstrong\n']))).toBe('Row 3, force: ‘strong’ is no number.');
    expect(pulls.length).toBe(1);
  });
});
