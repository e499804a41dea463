import { ChangeDetectionStrategy, Component, inject, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import { packTrace, readTrace, type Trace, type WatchedPull } from '@tug-mark/core';
import { Subject } from 'rxjs';
import type { TraceAnswer } from '../../../workers/trace.messages';
import { Api } from '../../http/api';
import { Live } from '../../live/live';
import { sessionActions, sessionFeature } from '../../session/session.state';
import { settingsFeature } from '../../settings/settings.state';
import { signedIn } from '../../testing/made-up';
import { StationGauge, type StationPull } from '../gauge/station-gauge';
import { TraceReader } from '../gauge/trace-reader';
import { PULL_ENTRY, PullEntry } from './pull-entry';
import { QUIET_HOST, type PulledForce, type PullHost } from './pull-host';
import { PullReading } from './pull-reading';
import { PullStore } from './pull-store';
import { PullsInHand } from './pulls-in-hand';
import { WaitingPulls } from './waiting-pulls';

@Component({ template: '', providers: [PULL_ENTRY], changeDetection: ChangeDetectionStrategy.OnPush })
class Place {
  readonly store = inject(PullStore);
  readonly entry = inject(PullEntry);
  readonly reading = inject(PullReading);
  readonly hand = inject(PullsInHand);
  readonly waiting = inject(WaitingPulls);
  readonly kept: { force: PulledForce; why: string }[] = [];
  readonly target = signal('piece 1');
  readonly isOpen = signal(true);
  readonly isUnseen = signal(false);
  readonly host: PullHost = {
    ...QUIET_HOST,
    place: signal('c1'),
    target: this.target,
    limit: signal(85),
    breaks: signal(177),
    context: signal({ breaks: 177, strands: 24, loadingRate: null }),
    isOpen: this.isOpen,
    isUnseen: this.isUnseen,
    keep: (force, why) => {
      this.kept.push({ force, why });
      return null;
    },
  };
  constructor() {
    this.entry.serve(this.host);
  }
}

const GAUGE = { id: 'G-1', kind: 'force', label: 'Gauge G-1', rate: 1000, capacity: 500, active: true } as Gauge;
const at = (seconds: number) => new Date(Date.UTC(2026, 9, 5, 8, 0, seconds)).toISOString();
/** A force that rises straight to its peak, bears it a moment and goes on at two thirds of it, as a wire does that slides out. */
const sliding = (peak: number, rate = 1000): Trace => ({
  rate,
  forces: [
    ...Array.from({ length: rate / 2 }, () => 0),
    ...Array.from({ length: rate }, (_, i) => (peak * i) / (rate - 1)),
    ...Array.from({ length: rate / 10 }, () => peak),
    ...Array.from({ length: 2 * rate }, (_, i) => 0.66 * peak * (1 - i / (2 * rate))),
    ...Array.from({ length: rate / 10 }, () => 0),
  ],
});

describe('A pull on its way to the record', () => {
  let place: Place;
  let pulls: Subject<StationPull>;
  let ownCurve: Uint8Array | null;
  let slow: Promise<void>;
  beforeEach(() => {
    localStorage.clear();
    ownCurve = null;
    slow = Promise.resolve();
    const read = async (trace: Trace, context: Parameters<typeof readTrace>[1]): Promise<TraceAnswer> => {
      await slow;
      return { reading: readTrace(trace, context), bytes: packTrace(trace), digest: 'd'.repeat(64) } as TraceAnswer;
    };
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore({
          [sessionFeature.name]: sessionFeature.reducer,
          [settingsFeature.name]: settingsFeature.reducer,
        }),
        { provide: Api, useValue: { gauges: () => Promise.resolve([]), gaugeCurve: () => Promise.resolve(ownCurve) } },
        { provide: Live, useValue: { gauge: signal(null), gaugeEvents: new Subject<GaugeEvent>() } },
        { provide: TraceReader, useValue: { read } },
      ],
    });
    TestBed.inject(Store).dispatch(sessionActions.arrived({ here: signedIn('technician') }));
    place = TestBed.createComponent(Place).componentInstance;
    ({ pulls } = TestBed.inject(StationGauge));
    TestBed.tick();
  });
  afterEach(() => {
    TestBed.resetTestingModule();
  });
  const settle = () => new Promise((resolve) => setTimeout(resolve, 20));
  const pulled = (peak: number, changes: Partial<WatchedPull> = {}, gauge: Gauge | null = GAUGE): StationPull => ({
    pull: { peak, zero: 0, forces: [], rate: 1000, seconds: 2, doubts: [], ...changes },
    gauge,
    startedAt: Date.now() + 1,
    key: gauge && { gauge: gauge.id, start: at(0), end: at(2) },
  });

  it('typed is judged against the limit, and kept only with how it failed', () => {
    place.reading.text('118.4');
    expect(place.store.verdict()?.verdict).toBe('holds');
    place.entry.keep();
    expect(place.store.message()).toBe('Say first how it failed: 1 to 7.');
    place.entry.key('1');
    place.entry.key('Enter');
    expect(place.kept[0]?.force).toEqual(jasmine.objectContaining({ force: 118.4, typed: '118.4', unit: 'N' }));
    expect(place.store.pending()).toBeNull();
    expect(place.store.isInHand()).toBeTrue();
  });

  it('that is more than the wire bears is asked about; yes is put on record, a new digit replaces it', () => {
    place.reading.text('300');
    expect(place.store.question()?.codes).toEqual(['above-wire']);
    place.entry.key('9');
    expect([place.store.question(), place.store.text()]).toEqual([null, '9']);
    place.reading.text('300');
    place.entry.key('y');
    expect(place.store.pending()?.confirmed).toEqual(['above-wire']);
  });

  it('belongs to the piece that was taken in hand before it began, and to no other', async () => {
    pulls.next(pulled(118));
    expect(place.store.pending()).toBeNull();
    expect(place.waiting.all().map(({ text, from }) => [text, from])).toEqual([['118.00', 'on Gauge G-1']]);
    place.hand.take();
    await settle();
    pulls.next({ ...pulled(121), key: { gauge: 'G-1', start: at(10), end: at(12) } });
    expect(place.store.pending()?.newtons).toBe(121);
    expect(place.store.isInHand()).toBeFalse();
  });

  it('that waited is a piece’s when a person says so, and says on record that it was said later', () => {
    pulls.next(pulled(118));
    const [waiting] = place.waiting.all();
    if (waiting) place.hand.assign(waiting);
    expect(place.waiting.all()).toEqual([]);
    place.store.setMode('slid-out');
    place.entry.keep();
    expect(place.kept[0]?.force.confirmed).toEqual(['assigned-later']);
    expect(place.kept[0]?.force.pull).toEqual({ start: at(0), end: at(2) });
  });

  it('is heard once, whatever two tabs make of it', () => {
    pulls.next(pulled(118));
    pulls.next({ ...pulled(118), key: { gauge: 'G-1', start: at(1), end: at(3) } });
    expect(place.waiting.all().length).toBe(1);
    pulls.next({ ...pulled(99), key: { gauge: 'G-1', start: at(2), end: at(4) } });
    expect(place.waiting.all().length).toBe(2);
  });

  it('waits while another value stands open, however it came', () => {
    place.reading.text('118.4');
    place.hand.hearLine('99.1');
    expect(place.waiting.all().map(({ text, from }) => [text, from])).toEqual([['99.1', 'typed by a device']]);
    expect(place.store.pending()?.newtons).toBe(118.4);
    const [waiting] = place.waiting.all();
    if (waiting) place.hand.assign(waiting);
    expect(place.waiting.all().length).toBe(1);
    if (waiting) place.hand.dismiss(waiting);
    expect(place.waiting.all()).toEqual([]);
  });

  it('with its curve has the curve’s peak and suggestion, until the person says otherwise', async () => {
    const curve = sliding(118.37);
    place.hand.take();
    pulls.next(pulled(118.2, { forces: Array.from(curve.forces) }));
    expect(place.store.pending()?.newtons).toBe(118.2);
    await settle();
    expect(place.store.pending()?.newtons).toBeCloseTo(118.37, 1);
    expect(place.store.pending()?.note).toContain('The peak is from its curve');
    expect(place.store.mode()).toBe('slid-out');
    expect(place.store.suggestion()?.mode).toBe('slid-out');
  });

  it('does not change under the hand once somebody has said how it failed', async () => {
    let go: () => void = () => undefined;
    slow = new Promise((resolve) => (go = resolve));
    place.hand.take();
    pulls.next(pulled(118.2, { forces: Array.from(sliding(118.37).forces) }));
    place.store.setMode('broke-at-crimp');
    go();
    await settle();
    expect(place.store.pending()?.newtons).toBe(118.2);
    expect(place.store.mode()).toBe('broke-at-crimp');
    expect(place.store.curve()).not.toBeNull();
  });

  it('never takes the curve of a pull before it', async () => {
    let go: () => void = () => undefined;
    slow = new Promise((resolve) => (go = resolve));
    place.hand.take();
    pulls.next(pulled(118.2, { forces: Array.from(sliding(118.37).forces) }));
    place.store.again();
    place.reading.text('96');
    go();
    await settle();
    expect(place.store.curve()).toBeNull();
    expect(place.store.pending()?.newtons).toBe(96);
    expect(place.store.mode()).toBeNull();
  });

  it('that was not heard throughout is asked about, and answered by the gauge’s own curve where that agrees', async () => {
    const tracing = { ...GAUGE, traceCommand: 'CURVE' } as Gauge;
    ownCurve = packTrace(sliding(131));
    place.hand.take();
    pulls.next(pulled(118, { doubts: ['gauge-lost'] }, tracing));
    expect(place.store.question()?.codes).toEqual(['gauge-lost']);
    await settle();
    expect(place.store.question()).toBeNull();
    // What was not seen went higher: the gauge knows.
    expect(place.store.pending()?.newtons).toBeCloseTo(131, 1);
    expect(place.store.pending()?.confirmed).toEqual(['gauge-lost']);
  });

  it('keeps its question where the gauge’s own curve is of another pull', async () => {
    const tracing = { ...GAUGE, traceCommand: 'CURVE' } as Gauge;
    ownCurve = packTrace(sliding(60));
    place.hand.take();
    pulls.next(pulled(118, { doubts: ['gauge-lost'] }, tracing));
    await settle();
    expect(place.store.question()?.codes).toEqual(['gauge-lost']);
    expect(place.store.curve()).toBeNull();
  });

  it('of a piece nobody has looked at needs its reason, unless it was pulled already when it was told', () => {
    place.isUnseen.set(true);
    place.reading.text('118');
    place.store.setMode('slid-out');
    place.entry.keep();
    expect(place.store.message()).toContain('Say why piece 1 is pulled before anybody has looked at it.');
    place.store.set({ note: 'only the pull was asked for' });
    place.entry.keep();
    expect(place.kept[0]?.force.confirmed).toEqual(['not-looked-at']);
    place.hand.paste(['117']);
    place.store.setMode('slid-out');
    place.entry.keep();
    expect(place.kept[1]?.force.confirmed).toEqual(['pulled-already']);
  });

  it('pasted with others is taken one at a time, each with how it failed', () => {
    place.hand.paste(['118.1', '117.2', '119.3']);
    expect(place.store.message()).toContain('3 values pasted.');
    for (const left of [2, 1, 0]) {
      expect(place.store.pasted().length).toBe(left);
      place.entry.key('1');
      place.entry.key('Enter');
    }
    expect(place.kept.map(({ force }) => force.force)).toEqual([118.1, 117.2, 119.3]);
    place.hand.paste(['1', '2']);
    place.hand.dropPasted();
    expect(place.store.pasted()).toEqual([]);
  });

  it('is not heard by keys while no reading is expected, and not the host’s keys while one stands open', () => {
    place.isOpen.set(false);
    expect(place.entry.key('9')).toBeFalse();
    place.isOpen.set(true);
    expect(place.entry.key('9')).toBeTrue();
    expect(place.store.text()).toBe('9');
  });

  it('corrects one on record with its reason, or leaves it', () => {
    place.store.correct();
    place.reading.text('114');
    place.store.setMode('slid-out');
    place.store.set({ why: 'digits swapped' });
    place.entry.keep();
    expect(place.kept[0]?.why).toBe('digits swapped');
    expect([place.store.correcting(), place.store.why()]).toEqual([false, '']);
    place.store.correct();
    place.reading.text('99');
    place.store.leaveCorrection();
    expect([place.store.pending(), place.store.correcting()]).toEqual([null, false]);
  });
});
