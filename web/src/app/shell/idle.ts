import { DestroyRef, effect, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { filter, fromEvent, interval, merge, throttleTime } from 'rxjs';
import { Api } from '../http/api';
import { Live } from '../live/live';
import { outboxFeature } from '../outbox/outbox.state';
import { sessionActions, sessionFeature } from '../session/session.state';

/** What a hand at the station does. */
const TOUCHES = ['keydown', 'pointerdown', 'pointermove', 'wheel'] as const;
/** Where the pages of one station tell each other when it was last touched. */
const KEY = 'tug-mark-touched';
const TELL_MS = 2000;
const LOOK_MS = 5000;

/**
 * Locks a station nobody has touched for as long as the shop says: its session ends, what is on the screen stays. A pull or a
 * measure is a touch, and so is one in another page of the station. While the server is silent nothing is locked: nobody
 * could come in again.
 */
@Injectable({ providedIn: 'root' })
export class Idle {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  private readonly state = this.store.selectSignal(sessionFeature.selectState);
  private readonly offline = this.store.selectSignal(outboxFeature.selectOffline);
  private readonly ended = inject(DestroyRef);

  /** Begins to watch this page. */
  watch(): void {
    const live = inject(Live);
    this.touch();
    merge(...TOUCHES.map((name) => fromEvent(document, name)), live.gaugeEvents, live.caliperEvents)
      .pipe(throttleTime(TELL_MS), takeUntilDestroyed(this.ended))
      .subscribe(() => {
        if (this.state() === 'in') this.touch();
      });
    // A sign-in is a touch, whatever was touched before it.
    effect(() => {
      if (this.state() === 'in') this.touch();
    });
    interval(LOOK_MS)
      .pipe(takeUntilDestroyed(this.ended))
      .subscribe(() => {
        this.look(Date.now());
      });
    // Somebody came in again on another page of this station.
    fromEvent(document, 'visibilitychange')
      .pipe(
        filter(() => !document.hidden && this.state() === 'locked'),
        takeUntilDestroyed(this.ended),
      )
      .subscribe(() => void this.lookForSession());
  }

  /** Locks the station if it is time. */
  look(now: number): void {
    const minutes = this.shop()?.settings.idleMinutes ?? null;
    if (minutes === null || this.state() !== 'in' || this.offline()) return;
    if (now - Number(localStorage.getItem(KEY) ?? now) >= minutes * 60_000) this.store.dispatch(sessionActions.lock());
  }

  private touch(): void {
    localStorage.setItem(KEY, String(Date.now()));
  }

  private async lookForSession(): Promise<void> {
    const here = await this.api.here().catch(() => null);
    if (here?.person) this.store.dispatch(sessionActions.arrived({ here }));
  }
}
