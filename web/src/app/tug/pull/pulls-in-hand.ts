import { DestroyRef, inject, Injectable } from '@angular/core';
import { count } from '../../parts/count';
import { StationGauge, type StationPull } from '../gauge/station-gauge';
import { toForceField } from './force-field';
import { asMeasured } from './force-text';
import { PullReading } from './pull-reading';
import { PullStore } from './pull-store';
import { WaitingPulls, type WaitingPull } from './waiting-pulls';

/**
 * Which piece a pull is. A pull belongs to a piece only by a person's act. Taking the piece in hand is the act; the one
 * pull that starts after it is that piece's. Every other pull waits, with its force and time, until somebody says which
 * piece it was.
 */
@Injectable()
export class PullsInHand {
  private readonly store = inject(PullStore);
  private readonly reading = inject(PullReading);
  private readonly waiting = inject(WaitingPulls);

  constructor() {
    const pulls = inject(StationGauge).pulls.subscribe((made) => {
      this.hear(made);
    });
    inject(DestroyRef).onDestroy(() => {
      pulls.unsubscribe();
    });
  }

  /** The act by which the next pull becomes this piece's. */
  take(): void {
    if (!this.store.isOpen()) return;
    this.store.set({ taking: { target: this.store.target(), since: Date.now() }, message: '' });
    toForceField();
  }

  /** Whether a value can be taken now: a reading is expected, and nothing stands open. */
  private get isFree(): boolean {
    return this.store.isOpen() && !this.store.isAsking();
  }

  /** A pull made on the station's gauge, or read from a file. */
  private hear(made: StationPull): void {
    const since = this.store.inHandSince();
    // A file is chosen by a person, for this piece.
    const isOwn = made.gauge === null || (since !== null && made.startedAt >= since);
    if (this.isFree && this.store.text() === '' && isOwn) {
      this.store.set({ taking: null });
      this.reading.pull(made);
      return;
    }
    this.waiting.add({
      text: asMeasured(made.pull.peak),
      at: made.key?.end ?? new Date().toISOString(),
      from: made.gauge ? `on ${made.gauge.label}` : 'from a file',
      key: made.key,
      made,
    });
  }

  /** A line that a gauge has typed outside the field. */
  hearLine(text: string): void {
    if (this.isFree && this.store.text() === '') this.reading.text(text);
    else {
      const at = new Date().toISOString();
      this.waiting.add({ text, at, from: 'typed by a device', key: null, made: null });
    }
  }

  /** A person says that a pull that waited was this piece's. */
  assign(pull: WaitingPull): void {
    if (!this.isFree) return;
    this.waiting.remove(pull.id);
    if (pull.made) this.reading.pull(pull.made, true);
    else this.reading.text(pull.text, pull.key, true);
  }

  /** A person says that it was no pull of any piece. */
  dismiss(pull: WaitingPull): void {
    this.waiting.remove(pull.id);
  }

  paste(values: readonly string[]): void {
    this.store.set({ pasted: [...this.store.pasted(), ...values] });
    this.takeNext();
    const pasted = count(values.length, 'value');
    this.store.set({ message: `${pasted} pasted. They are taken one at a time: each needs how it failed.` });
  }

  dropPasted(): void {
    this.store.set({ pasted: [] });
  }

  /** Takes the next pasted value, when nothing is open; the host calls it when it becomes ready for one. */
  takeNext(): void {
    const [next, ...rest] = this.store.pasted();
    if (next === undefined || !this.isFree || this.store.text() !== '') return;
    this.store.set({ pasted: rest });
    this.reading.text(next, null, true);
  }
}
