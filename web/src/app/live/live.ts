import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { GaugeEvent } from '@tug-mark/contract';
import { Subject } from 'rxjs';
import { sessionFeature } from '../session/session.state';

/** What the server tells of others' work. */
export type News =
  | { readonly kind: 'entry'; readonly combination: string; readonly seq: number }
  | { readonly kind: 'shop' }
  | { readonly kind: 'look-again' };

const AGAIN_MS = 2000;

/**
 * The one stream from the server: what others put on record, and this station's gauge. The browser opens it again by
 * itself when it was lost; what was missed is then asked for.
 */
@Injectable({ providedIn: 'root' })
export class Live {
  private readonly session = inject(Store).selectSignal(sessionFeature.selectState);
  /** Gauge this station listens to; null: none. */
  readonly gauge = signal<string | null>(null);
  /** Caliper this station listens to; null: none. */
  readonly caliper = signal<string | null>(null);
  readonly isOpen = signal(false);
  readonly news = new Subject<News>();
  readonly gaugeEvents = new Subject<GaugeEvent>();
  readonly caliperEvents = new Subject<GaugeEvent>();
  private readonly tries = signal(0);
  private readonly address = computed(() => {
    if (this.session() !== 'in') return null;
    const query = new URLSearchParams();
    const [gauge, caliper] = [this.gauge(), this.caliper()];
    if (gauge !== null) query.set('gauge', gauge);
    if (caliper !== null) query.set('caliper', caliper);
    return query.size ? `/api/live?${query.toString()}` : '/api/live';
  });

  constructor() {
    effect((onCleanup) => {
      const address = this.address();
      this.tries();
      if (address === null) return;
      let again: ReturnType<typeof setTimeout> | undefined;
      const source = new EventSource(address);
      source.onopen = () => {
        this.isOpen.set(true);
      };
      source.onerror = () => {
        this.isOpen.set(false);
        // A refusal or a proxy's error page ends a stream for good: open another one.
        if (source.readyState === EventSource.CLOSED)
          again = setTimeout(() => this.tries.update((n) => n + 1), AGAIN_MS);
        this.gaugeEvents.next({
          kind: 'state',
          state: 'lost',
          text: 'The server does not answer; a pull in hand is kept.',
        });
      };
      const told = (event: MessageEvent<string>) => {
        this.news.next(JSON.parse(event.data) as News);
      };
      for (const kind of ['entry', 'shop', 'look-again']) source.addEventListener(kind, told);
      source.addEventListener('gauge', (event: MessageEvent<string>) => {
        this.gaugeEvents.next(JSON.parse(event.data) as GaugeEvent);
      });
      source.addEventListener('caliper', (event: MessageEvent<string>) => {
        this.caliperEvents.next(JSON.parse(event.data) as GaugeEvent);
      });
      onCleanup(() => {
        clearTimeout(again);
        source.close();
        this.isOpen.set(false);
      });
    });
  }
}
