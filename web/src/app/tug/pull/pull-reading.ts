import { inject, Injectable } from '@angular/core';
import type { Gauge } from '@tug-mark/contract';
import {
  curveAgrees,
  doubtText,
  readForce,
  readTypedLine,
  showNumber,
  unpackTrace,
  type Trace,
  type WatchedPull,
} from '@tug-mark/core';
import { Api } from '../../http/api';
import { timeOrderedId } from '../../http/uuid';
import { StationGauge, type PullKey, type StationPull } from '../gauge/station-gauge';
import { TraceReader } from '../gauge/trace-reader';
import { asMeasured, peakOf } from './force-text';
import { PullStore } from './pull-store';

/** Reads what was typed, or pulled on a gauge, into a value that waits for how it failed, or into what is doubtful. */
@Injectable()
export class PullReading {
  private readonly store = inject(PullStore);
  private readonly gauge = inject(StationGauge);
  private readonly api = inject(Api);
  private readonly traces = inject(TraceReader);

  /** Reads a value as it was typed, pasted or sent as a line. */
  text(text: string, key: PullKey | null = null, isLate = false): void {
    const { store } = this;
    store.begin(readTypedLine(text, this.gauge.chosen()), key, isLate);
    const { breaks, lowest } = store.host();
    const read = readForce(store.text(), store.unit(), breaks(), lowest());
    if (read.outcome === 'refused') store.refuse(read.text);
    else if (read.outcome === 'question') {
      const { code, newtons, unit, text: asked } = read;
      store.ask({ codes: [code], newtons, unit, text: asked, gauge: null });
    } else store.accept({ newtons: read.newtons, unit: read.unit, confirmed: [], note: read.note, gauge: null });
  }

  /** Reads a pull with its curve. */
  pull({ pull, gauge, key }: StationPull, isLate = false): void {
    const { store } = this;
    store.begin(asMeasured(pull.peak), key, isLate);
    const { breaks, lowest } = store.host();
    const read = readForce(store.text(), 'N', breaks(), lowest());
    if (read.outcome === 'refused') {
      store.refuse(read.text, '');
      return;
    }
    const asked = [
      ...pull.doubts.map((doubt) => ({ code: doubt as string, text: doubtText(doubt) })),
      ...(read.outcome === 'question' ? [{ code: read.code as string, text: read.text }] : []),
    ];
    const value = { newtons: pull.peak, unit: 'N', gauge: gauge?.id ?? null } as const;
    void this.readCurve(pull, gauge);
    if (asked.length)
      store.ask({ ...value, codes: asked.map((a) => a.code), text: asked.map((a) => a.text).join(' ') });
    else store.accept({ ...value, confirmed: [], note: null });
  }

  /** A person says that the doubtful value is right. */
  yes(): void {
    const question = this.store.question();
    if (!question) return;
    const { newtons, unit, codes, gauge } = question;
    this.store.accept({ newtons, unit, confirmed: codes, note: null, gauge });
    this.goByCurve();
  }

  /** First the curve as it came in, then the gauge's own of ten times the rate, where it keeps one. */
  private async readCurve(pull: WatchedPull, gauge: Gauge | null): Promise<void> {
    const own = this.store.taken();
    const isStill = () => own === this.store.taken();
    if (pull.forces.length) await this.showCurve({ rate: pull.rate, forces: pull.forces }, isStill);
    if (!gauge?.traceCommand || !isStill()) return;
    const bytes = await this.api.gaugeCurve(gauge.id).catch(() => null);
    const fine = bytes && unpackTrace(bytes);
    if (!fine || !isStill()) return;
    // The gauge may have been pulled again meanwhile, or begun again: its curve has to be of this pull.
    const peak = peakOf(fine) - pull.zero;
    const isLost = pull.doubts.includes('gauge-lost');
    // A pull that was not heard throughout may have gone higher than what was seen of it.
    if (!curveAgrees(peak, isLost ? Math.max(peak, pull.peak) : pull.peak)) return;
    if (isLost) this.recover(gauge.id);
    await this.showCurve(fine, isStill);
  }

  /** What was missed while the gauge was not heard, its own curve has: nothing is left to ask. */
  private recover(gauge: string): void {
    const question = this.store.question();
    if (question?.codes.length !== 1 || question.codes[0] !== 'gauge-lost') return;
    this.store.accept({
      newtons: question.newtons,
      unit: 'N',
      confirmed: question.codes,
      note: 'It was not heard throughout; the peak is from the gauge’s own curve.',
      gauge,
    });
  }

  private async showCurve(trace: Trace, isStill: () => boolean): Promise<void> {
    const { reading, bytes, digest } = await this.traces.read(trace, this.store.host().context());
    if (!isStill()) return;
    this.store.set({
      curve: {
        read: reading.ok ? reading.read : null,
        why: reading.ok ? null : reading.reason.text,
        trace,
        packed: { id: timeOrderedId(), bytes: new Blob([bytes], { type: 'application/octet-stream' }) },
        digest,
      },
    });
    this.goByCurve();
  }

  /** The peak of the curve is the reading, and its suggestion stands until the person says otherwise. */
  private goByCurve(): void {
    const { store } = this;
    const read = store.curve()?.read;
    const pending = store.pending();
    // What somebody has seen and answered does not change under the hand: a finer peak comes too late then.
    if (!read || !pending || store.mode() !== null) return;
    const { force } = read.peak;
    // What was not heard throughout may have gone higher: the gauge's own curve knows.
    const wasLost = pending.confirmed.includes('gauge-lost') && force >= pending.newtons;
    const typed = asMeasured(force);
    const told =
      typed === pending.typed
        ? null
        : `The peak is from its curve: ${showNumber(force, 2, store.limit() ?? undefined)} N.`;
    store.set({
      mode: read.suggestion.mode,
      ...((wasLost || curveAgrees(force, pending.newtons)) && {
        pending: { ...pending, newtons: Number(typed), typed, unit: 'N', note: pending.note ?? told },
      }),
    });
  }
}
