import { Injectable } from '@angular/core';
import type { Trace, TraceContext } from '@tug-mark/core';
import type { TraceAnswer, TraceRequest } from '../../../workers/trace.messages';

/** Reads curves in a worker. */
@Injectable({ providedIn: 'root' })
export class TraceReader {
  private worker: Worker | null = null;
  private number = 0;
  private readonly waiting = new Map<number, (answer: TraceAnswer) => void>();

  read(trace: Trace, context: TraceContext): Promise<TraceAnswer> {
    this.worker ??= this.open();
    const number = ++this.number;
    const forces = Float64Array.from(trace.forces);
    const request: TraceRequest = { number, rate: trace.rate, forces, context };
    this.worker.postMessage(request, [forces.buffer]);
    return new Promise((resolve) => this.waiting.set(number, resolve));
  }

  private open(): Worker {
    const worker = new Worker(new URL('../../../workers/trace.worker', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<TraceAnswer>) => {
      this.waiting.get(data.number)?.(data);
      this.waiting.delete(data.number);
    };
    return worker;
  }
}
