import { Injectable } from '@angular/core';
import type { Trace, TraceContext, TraceCsvRead } from '@tug-mark/core';
import { transfer, wrap, type Remote } from 'comlink';
import type { TraceAnswer } from '../../../workers/trace.messages';
import type { TraceWork } from '../../../workers/trace.worker';

/** Reads curves in a worker, which is opened with the first. */
@Injectable({ providedIn: 'root' })
export class TraceReader {
  private opened: Remote<TraceWork> | null = null;

  private get work(): Remote<TraceWork> {
    return (this.opened ??= wrap<TraceWork>(
      new Worker(new URL('../../../workers/trace.worker', import.meta.url), { type: 'module' }),
    ));
  }

  read(trace: Trace, context: TraceContext): Promise<TraceAnswer> {
    const forces = Float64Array.from(trace.forces);
    return this.work.read(trace.rate, transfer(forces, [forces.buffer]), context);
  }

  /** Takes a curve from the text of a CSV file. */
  readFile(text: string): Promise<TraceCsvRead> {
    return this.work.readFile(text);
  }
}
