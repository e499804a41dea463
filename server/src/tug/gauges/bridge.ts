import type { Gauge, GaugeEvent } from '@tug-mark/contract';
import {
  ANY_FORCE_UNIT,
  type ForceUnit,
  forceUnitOf,
  type LengthUnit,
  lengthUnitOf,
  type LinePattern,
  MOST_SAMPLES,
  openLinePattern,
  readCaliperLine,
  readGaugeLine,
  toNewtons,
  type Trace,
} from '@tug-mark/core';
import { connect, type Socket } from 'node:net';

type Listener = (event: GaugeEvent) => void;

/** How often what came in is passed on: 25 times a second is more than an eye follows. */
const PACKET_MS = 40;
const AGAIN_MS = 500;
/** A gauge that is not in use is asked for less often. */
const REFUSED_MS = 3000;
/** A connected gauge that sends nothing for this long is told of. */
const SILENT_MS = 2000;
/** A line longer than this is no reading. */
const LONGEST_LINE = 4096;
const TRACE_MS = 20_000;

/**
 * Speaks to any number of force gauges over TCP, a line a reading, and passes their forces on in packets. A gauge is
 * connected while somebody follows it, and found again by itself when it was lost.
 */
export class GaugeBridge {
  private readonly lines = new Map<string, GaugeLine>();

  /** @param read the settings of one gauge, or null when there is none in use under this name */
  constructor(private readonly read: (id: string) => Promise<Gauge | null>) {}

  /** Follows a gauge. @returns a function that ends it */
  follow(id: string, listener: Listener): () => void {
    let line = this.lines.get(id);
    if (!line) {
      line = new GaugeLine(() => this.read(id));
      this.lines.set(id, line);
    }
    const own = line;
    own.add(listener);
    return () => {
      if (own.remove(listener) > 0) return;
      own.close();
      if (this.lines.get(id) === own) this.lines.delete(id);
    };
  }

  /** Sends a command of the gauge's settings; false when nobody follows it or it has none. */
  command(id: string, which: 'zeroCommand' | 'startCommand'): boolean {
    return this.lines.get(id)?.send(which) ?? false;
  }

  /** The curve of the gauge's last pull, at its own full rate; a sentence where it sends none. */
  async trace(id: string): Promise<Trace | string> {
    const line = this.lines.get(id);
    return line ? line.trace() : 'Nobody at this server follows that gauge.';
  }

  /** New settings: whoever follows is connected again. */
  changed(id: string): void {
    this.lines.get(id)?.restart();
  }

  close(): void {
    for (const line of this.lines.values()) line.close();
    this.lines.clear();
  }
}

/** The connection to one gauge. */
class GaugeLine {
  private readonly listeners = new Set<Listener>();
  private socket: Socket | null = null;
  private settings: Gauge | null = null;
  private pattern: LinePattern | null = null;
  private caliper: LinePattern<LengthUnit> | null = null;
  private rest = '';
  private forces: number[] = [];
  private overload = false;
  private garbled = 0;
  private otherUnit: ForceUnit | null = null;
  private heardAt = 0;
  private state: GaugeEvent & { kind: 'state' } = { kind: 'state', state: 'lost', text: 'Connecting.' };
  private isClosed = false;
  private again: NodeJS.Timeout | undefined;
  private readonly ticks: NodeJS.Timeout;
  private burst: TraceBurst | null = null;

  constructor(private readonly read: () => Promise<Gauge | null>) {
    this.ticks = setInterval(() => {
      this.passOn();
    }, PACKET_MS);
    void this.open();
  }

  add(listener: Listener): void {
    this.listeners.add(listener);
    listener(this.state);
  }

  remove(listener: Listener): number {
    this.listeners.delete(listener);
    return this.listeners.size;
  }

  send(which: 'zeroCommand' | 'startCommand' | 'traceCommand'): boolean {
    const text = this.settings?.[which];
    if (!text || !this.socket || this.state.state === 'lost') return false;
    this.socket.write(`${text}\n`);
    return true;
  }

  trace(): Promise<Trace | string> {
    if (!this.settings?.traceCommand) return Promise.resolve('This gauge keeps no curve of its own.');
    if (this.burst) return Promise.resolve('A curve is on its way already.');
    return new Promise((resolve) => {
      const timer = setTimeout(() => {
        this.burst?.end('It broke off. The readings as they came in are kept.');
      }, TRACE_MS);
      this.burst = new TraceBurst((result) => {
        clearTimeout(timer);
        this.burst = null;
        resolve(result);
      });
      if (!this.send('traceCommand')) this.burst.end('The gauge is not connected.');
    });
  }

  restart(): void {
    this.socket?.destroy();
  }

  close(): void {
    this.isClosed = true;
    clearInterval(this.ticks);
    clearTimeout(this.again);
    this.burst?.end('The gauge was released.');
    this.socket?.destroy();
  }

  private tell(event: GaugeEvent): void {
    for (const listener of this.listeners) listener(event);
  }

  private tellState(state: GaugeEvent & { kind: 'state' }): void {
    if (this.state.state === state.state && this.state.text === state.text) return;
    this.state = state;
    this.tell(state);
  }

  private async open(): Promise<void> {
    const later = (after = AGAIN_MS) => {
      if (this.isClosed) return;
      clearTimeout(this.again);
      this.again = setTimeout(() => void this.open(), after);
    };
    let settings: Gauge | null;
    try {
      settings = await this.read();
    } catch {
      later();
      return;
    }
    if (this.isClosed) return;
    if (settings) this.openPattern(settings);
    if (!settings?.active || (!this.pattern && !this.caliper)) {
      this.tellState({
        kind: 'state',
        state: 'refused',
        text: 'No such gauge is in use. An engineer enters it under Gauges.',
      });
      later(REFUSED_MS);
      return;
    }
    this.settings = settings;
    const { host, port, label } = settings;
    const socket = connect({ host, port });
    this.socket = socket;
    this.rest = '';
    socket.setEncoding('latin1');
    socket.setNoDelay(true);
    socket.on('connect', () => {
      this.heardAt = Date.now();
      this.tellState({ kind: 'state', state: 'connected', text: `${label} is connected.` });
      this.send('startCommand');
    });
    socket.on('data', (text) => {
      this.take(text.toString());
    });
    // What is wrong is told by 'close', which always follows.
    socket.on('error', () => undefined);
    socket.on('close', () => {
      this.burst?.end('The gauge was lost on the way.');
      this.passOn();
      if (this.socket === socket) {
        this.tellState({
          kind: 'state',
          state: 'lost',
          text: `${label} does not answer at ${host}:${port}. It is tried again; a pull in hand is kept.`,
        });
        later();
      }
    });
  }

  private openPattern({ pattern, unit }: Gauge): void {
    const force = forceUnitOf(unit);
    const length = lengthUnitOf(unit);
    const forces = force && openLinePattern(pattern, force);
    const lengths = length && openLinePattern(pattern, length);
    this.pattern = forces?.ok ? forces.pattern : null;
    this.caliper = lengths?.ok ? lengths.pattern : null;
  }

  private take(text: string): void {
    this.heardAt = Date.now();
    const lines = (this.rest + text).split('\n');
    this.rest = lines.pop() ?? '';
    if (this.rest.length > LONGEST_LINE) {
      this.rest = '';
      this.garbled += 1;
    }
    for (const raw of lines) {
      const line = raw.replace(/\r$/, '');
      if (this.burst?.take(line)) continue;
      if (this.caliper) {
        const millimetres = readCaliperLine(line, this.caliper);
        if (millimetres !== null) this.tell({ kind: 'length', gauge: this.settings?.id ?? '', millimetres });
        continue;
      }
      if (line.trim() === '' || !this.pattern) continue;
      const read = readGaugeLine(line, this.pattern);
      if (read.outcome === 'garbled') {
        this.garbled += 1;
        continue;
      }
      if (read.status === 'overload') this.overload = true;
      this.otherUnit ??= read.otherUnit;
      // JSON has no infinity: an overload without a number is told by its flag alone.
      if (Number.isFinite(read.newtons)) this.forces.push(read.newtons);
    }
  }

  private passOn(): void {
    if (this.state.state === 'connected' || this.state.state === 'silent') {
      // A caliper says nothing until somebody presses its button.
      const isSilent = !this.caliper && Date.now() - this.heardAt > SILENT_MS;
      const label = this.settings?.label ?? 'The gauge';
      if (isSilent)
        this.tellState({
          kind: 'state',
          state: 'silent',
          text: `${label} is connected but sends nothing. Is it switched on?`,
        });
      else if (this.state.state === 'silent')
        this.tellState({ kind: 'state', state: 'connected', text: `${label} is connected.` });
    }
    if (!this.forces.length && !this.garbled && !this.overload) return;
    this.tell({
      kind: 'forces',
      at: Date.now(),
      forces: this.forces,
      overload: this.overload,
      garbled: this.garbled,
      otherUnit: this.otherUnit,
      skipped: false,
    });
    this.forces = [];
    this.overload = false;
    this.garbled = 0;
    this.otherUnit = null;
  }
}

const TRACE_BEGIN = new RegExp(`^TRACE BEGIN (\\d+) (\\d+) (${ANY_FORCE_UNIT})$`);

/**
 * A curve sent in one go: 'TRACE BEGIN rate samples unit', lines of 'T value value ...', 'TRACE END'; or 'TRACE NONE'.
 * Readings may go on between.
 */
class TraceBurst {
  private rate = 0;
  private wanted = 0;
  private unit: ForceUnit = 'N';
  private readonly forces: number[] = [];

  constructor(readonly end: (result: Trace | string) => void) {}

  /** Whether the line belonged to the curve. */
  take(line: string): boolean {
    const begin = TRACE_BEGIN.exec(line);
    if (begin) {
      this.rate = Number(begin[1]);
      this.wanted = Number(begin[2]);
      this.unit = forceUnitOf(begin[3]) ?? 'N';
      if (this.wanted > MOST_SAMPLES) this.end(`It has ${this.wanted} samples; ${MOST_SAMPLES} are taken at most.`);
      return true;
    }
    if (line === 'TRACE NONE') {
      this.end('The gauge has recorded no pull yet.');
      return true;
    }
    if (line === 'TRACE END') {
      const isWhole = this.rate > 0 && this.forces.length === this.wanted && this.forces.every(Number.isFinite);
      this.end(
        isWhole
          ? { rate: this.rate, forces: this.forces }
          : `It came in parts: ${this.forces.length} of ${this.wanted} samples.`,
      );
      return true;
    }
    if (!line.startsWith('T ') || this.rate === 0) return false;
    for (const value of line.slice(2).split(' ')) this.forces.push(toNewtons(Number(value), this.unit));
    if (this.forces.length > this.wanted) this.end(`It sent more than the ${this.wanted} samples it had told of.`);
    return true;
  }
}
