import { Injectable } from '@angular/core';
import type { Trace, TraceContext, TraceCsvRead } from '@tug-mark/core';
import type { CurveFileAnswer, CurveFileRequest, TraceAnswer, TraceRequest } from '../../../workers/trace.messages';

/** Reads curves in a worker. */
@Injectable({ providedIn: 'root' })
export class TraceReader {
  private worker: Worker | null = null;
  private number = 0;
  private readonly waiting = new Map<number, (answer: TraceAnswer) => void>();
  private readonly files = new Map<number, (file: TraceCsvRead) => void>();

  read(trace: Trace, context: TraceContext): Promise<TraceAnswer> {
    this.worker ??= this.open();
    const number = ++this.number;
    const forces = Float64Array.from(trace.forces);
    const request: TraceRequest = { number, rate: trace.rate, forces, context };
    this.worker.postMessage(request, [forces.buffer]);
    return new Promise((resolve) => this.waiting.set(number, resolve));
  }

  /** Takes a curve from the text of a CSV file. */
  readFile(text: string): Promise<TraceCsvRead> {
    this.worker ??= this.open();
    const number = ++this.number;
    const request: CurveFileRequest = { number, text };
    this.worker.postMessage(request);
    return new Promise((resolve) => this.files.set(number, resolve));
  }

  private open(): Worker {
    const worker = new Worker(new URL('../../../workers/trace.worker', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<TraceAnswer | CurveFileAnswer>) => {
      if ('file' in data) {
        this.files.get(data.number)?.(data.file);
        this.files.delete(data.number);
        return;
      }
      this.waiting.get(data.number)?.(data);
      this.waiting.delete(data.number);
    };
    return worker;
  }
}
