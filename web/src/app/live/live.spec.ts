import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideStore, Store } from '@ngrx/store';
import type { GaugeEvent } from '@tug-mark/contract';
import { merge } from 'rxjs';
import { sessionActions, sessionFeature } from '../session/session.state';
import { signedIn } from '../testing/made-up';
import { Live, type News } from './live';

/** A stream nobody answers on: what the server would tell is told by the test. */
class Stream extends EventTarget {
  static readonly opened: Stream[] = [];
  readyState: number = EventSource.OPEN;
  isClosed = false;
  onopen: (() => void) | null = null;
  onerror: (() => void) | null = null;
  constructor(readonly address: string) {
    super();
    Stream.opened.push(this);
  }
  tell(kind: string, data: unknown): void {
    this.dispatchEvent(new MessageEvent(kind, { data: JSON.stringify(data) }));
  }
  close(): void {
    this.isClosed = true;
  }
}

describe('The stream from the server', () => {
  const real = window.EventSource;
  let live: Live;
  let store: Store;
  beforeEach(() => {
    Stream.opened.length = 0;
    window.EventSource = Object.assign(Stream, { OPEN: 1, CLOSED: 2 }) as unknown as typeof EventSource;
    jasmine.clock().install();
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideStore({ [sessionFeature.name]: sessionFeature.reducer })],
    });
    store = TestBed.inject(Store);
    live = TestBed.inject(Live);
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    jasmine.clock().uninstall();
    window.EventSource = real;
  });
  const signIn = () => {
    store.dispatch(sessionActions.arrived({ here: signedIn('technician') }));
    TestBed.tick();
  };

  it('opens with a person, and closes with their leave', () => {
    TestBed.tick();
    expect(Stream.opened).toEqual([]);
    signIn();
    expect(Stream.opened.map((s) => s.address)).toEqual(['/api/live']);
    store.dispatch(sessionActions.expired());
    TestBed.tick();
    expect(Stream.opened[0]?.isClosed).toBeTrue();
  });

  it('listens to the gauge and caliper of the station, over one stream', () => {
    signIn();
    live.gauge.set('G-1');
    TestBed.tick();
    live.caliper.set('C-1');
    TestBed.tick();
    expect(Stream.opened.map((s) => s.address)).toEqual([
      '/api/live',
      '/api/live?gauge=G-1',
      '/api/live?gauge=G-1&caliper=C-1',
    ]);
    expect(Stream.opened.map((s) => s.isClosed)).toEqual([true, true, false]);
  });

  it('tells what others put on record, and what gauge and caliper send', () => {
    signIn();
    const heard: (News | GaugeEvent)[] = [];
    merge(live.news, live.gaugeEvents, live.caliperEvents).subscribe((event) => heard.push(event));
    const [stream] = Stream.opened;
    stream?.onopen?.();
    expect(live.isOpen()).toBeTrue();
    stream?.tell('entry', { kind: 'entry', combination: 'c1', seq: 7 });
    stream?.tell('gauge', { kind: 'state', state: 'connected', text: '' });
    stream?.tell('caliper', { kind: 'length', gauge: 'C-1', millimetres: 2.4 });
    expect(heard.map((e) => e.kind)).toEqual(['entry', 'state', 'length']);
  });

  it('says that the gauge is lost when the stream is, and opens another where it ended for good', () => {
    signIn();
    const lost: string[] = [];
    live.gaugeEvents.subscribe((event) => {
      if (event.kind === 'state') lost.push(event.state);
    });
    const [stream] = Stream.opened;
    stream?.onerror?.();
    expect([lost, live.isOpen()]).toEqual([['lost'], false]);
    jasmine.clock().tick(10_000);
    TestBed.tick();
    expect(Stream.opened.length).toBe(1);
    if (stream) stream.readyState = EventSource.CLOSED;
    stream?.onerror?.();
    jasmine.clock().tick(1_999);
    TestBed.tick();
    expect(Stream.opened.length).toBe(1);
    jasmine.clock().tick(1);
    TestBed.tick();
    expect(Stream.opened.length).toBe(2);
  });
});
