import { normalFrom, random, simulatePull, SOUND_PULL, type PullModel, type Trace } from '@tug-mark/core';
import { createServer, type Server, type Socket } from 'node:net';

/** How a simulated joint ends, by what is told to the gauge. */
export const ENDINGS = ['wire', 'crimp', 'slide', 'strands', 'grip', 'insulation'] as const;
export type Ending = (typeof ENDINGS)[number];

export const FAULTS = ['none', 'garbled', 'other-unit', 'stuck', 'overload', 'silent'] as const;
export type Fault = (typeof FAULTS)[number];

export interface ForceGaugeOptions {
  readonly port: number;
  readonly seed: number;
  /** Readings a second it sends, 1 to 1000. */
  readonly rate: number;
  /** Of the gauge and the stand. */
  readonly model: Partial<PullModel>;
}

/** Samples a second the curve of a pull is kept with. */
const TRACE_RATE = 10_000;
const TICK_MS = 10;

/**
 * A made-up force gauge on loopback. It sends a line a reading, `F +118.42 N OK`, without end, and understands
 *
 *     RATE 1000                  readings a second
 *     ZERO                       takes off what it shows
 *     PULL slide 96 breaks=177   a joint that ends so, at about that force in N; any number of the model may follow
 *     TRACE                      the last pull at 10 kHz: TRACE BEGIN rate samples unit, lines of T, TRACE END
 *     FAULT garbled              none, garbled, other-unit, stuck, overload, silent
 *
 * Every station that connects hears the same gauge.
 */
export class ForceGauge {
  private readonly server: Server;
  private readonly sockets = new Set<Socket>();
  private readonly normal: () => number;
  private ticking: NodeJS.Timeout | undefined;
  private rate: number;
  private sentAt = 0;
  private owed = 0;
  private offset = 0;
  private fault: Fault = 'none';
  private pull: Trace | null = null;
  private pullAt = 0;
  private last: Trace | null = null;
  private readonly owesTrace: Socket[] = [];
  private shown = 0;
  private pulls = 0;

  constructor(private readonly options: ForceGaugeOptions) {
    this.rate = options.rate;
    this.normal = normalFrom(random(options.seed));
    this.server = createServer((socket) => {
      this.greet(socket);
    });
  }

  /** Begins to listen. @returns the port */
  listen(): Promise<number> {
    this.sentAt = performance.now();
    this.ticking = setInterval(() => {
      this.tick();
    }, TICK_MS);
    return new Promise((resolve, reject) => {
      this.server.once('error', reject);
      this.server.listen(this.options.port, '127.0.0.1', () => {
        const address = this.server.address();
        resolve(typeof address === 'object' && address ? address.port : this.options.port);
      });
    });
  }

  close(): void {
    clearInterval(this.ticking);
    for (const socket of this.sockets) socket.destroy();
    this.server.close();
  }

  /** Whether a pull is under way. */
  get isPulling(): boolean {
    return this.pull !== null;
  }

  /** Pulls a joint that ends so near a force, N. */
  startPull(ending: Ending, force: number, changes: Partial<PullModel> = {}): void {
    this.pulls += 1;
    const model = this.options.model;
    this.pull = simulatePull({
      ...SOUND_PULL,
      stiffness: Math.max(5, force / 2.2),
      ...endingOf(ending, force),
      ...model,
      ...changes,
      seed: this.options.seed * 1000 + this.pulls,
      rate: TRACE_RATE,
    });
    this.pullAt = 0;
  }

  setFault(fault: Fault): void {
    this.fault = fault;
  }

  private greet(socket: Socket): void {
    this.sockets.add(socket);
    socket.setEncoding('latin1');
    socket.setNoDelay(true);
    let rest = '';
    socket.on('data', (text) => {
      const lines = (rest + text.toString()).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) this.obey(line.trim(), socket);
    });
    socket.on('error', () => undefined);
    socket.on('close', () => this.sockets.delete(socket));
  }

  private obey(line: string, socket: Socket): void {
    const [word = '', ...rest] = line.split(/\s+/);
    if (word === 'RATE') this.rate = Math.min(1000, Math.max(1, Number(rest[0]) || this.rate));
    else if (word === 'ZERO') {
      this.offset += this.shown;
      socket.write('F +0.00 N ZERO\n');
    } else if (word === 'FAULT') this.fault = FAULTS.find((f) => f === rest[0]) ?? 'none';
    else if (word === 'PULL') {
      const ending = ENDINGS.find((e) => e === rest[0]) ?? 'wire';
      this.startPull(ending, Number(rest[1]) || 120, readNumbers(rest.slice(2)));
    } else if (word === 'TRACE') this.sendTrace(socket);
  }

  private sendTrace(socket: Socket): void {
    // Asked for in the middle of a pull, it is sent when the pull is over.
    if (this.pull) {
      this.owesTrace.push(socket);
      return;
    }
    const trace = this.last;
    if (!trace) {
      socket.write('TRACE NONE\n');
      return;
    }
    const { forces, rate } = trace;
    socket.write(`TRACE BEGIN ${rate} ${forces.length} N\n`);
    const lines: string[] = [];
    for (let from = 0; from < forces.length; from += 64) {
      lines.push(
        `T ${Array.from({ length: Math.min(64, forces.length - from) }, (_, i) => forces[from + i]).join(' ')}`,
      );
    }
    socket.write(`${lines.join('\n')}\nTRACE END\n`);
  }

  private tick(): void {
    const now = performance.now();
    this.owed += ((now - this.sentAt) / 1000) * this.rate;
    this.sentAt = now;
    const count = Math.floor(this.owed);
    this.owed -= count;
    let text = '';
    for (let i = 0; i < count; i++) text += this.line();
    if (this.fault === 'silent') return;
    for (const socket of this.sockets) socket.write(text);
  }

  /** The next reading, as a line. */
  private line(): string {
    const { zero = SOUND_PULL.zero, noise = SOUND_PULL.noise } = this.options.model;
    let value = zero + noise * this.normal();
    if (this.pull) {
      const { forces } = this.pull;
      value = forces[Math.min(forces.length - 1, Math.floor(this.pullAt))] ?? 0;
      this.pullAt += TRACE_RATE / this.rate;
      if (this.pullAt >= forces.length) {
        this.last = this.pull;
        this.pull = null;
        for (const socket of this.owesTrace.splice(0)) this.sendTrace(socket);
      }
    }
    if (this.fault !== 'stuck') this.shown = value - this.offset;
    const shown = this.shown;
    const sign = shown < 0 ? '-' : '+';
    const digits = Math.abs(shown).toFixed(2);
    if (this.fault === 'garbled') return `F ${sign}${digits.replace('.', '#')} N O\u0007\n`;
    if (this.fault === 'overload') return `F ${sign}${digits} N OVER\n`;
    if (this.fault === 'other-unit') return `F ${sign}${(Math.abs(shown) / 4.4482216152605).toFixed(3)} lbf OK\n`;
    return `F ${sign}${digits} N OK\n`;
  }
}

/** What makes a joint end so near a force. */
function endingOf(ending: Ending, force: number): Partial<PullModel> {
  switch (ending) {
    case 'wire':
    case 'crimp':
      return { breaks: force, holds: 10 * force };
    case 'slide':
      return { breaks: 2 * force, holds: force };
    case 'strands':
      return { breaks: 1.3 * force, uneven: 0.25, holds: 10 * force };
    case 'grip':
      return { breaks: 2 * force, holds: force, gripSlips: [0.35 * force, 0.55 * force, 0.75 * force], gripStep: 0.3 };
    case 'insulation':
      return { breaks: 10 * force, holds: force, friction: 0.9 };
  }
}

/** 'noise=0.3 slide=4' as numbers of the model; what is none is left out. */
export function readNumbers(words: readonly string[]): Partial<PullModel> {
  return Object.fromEntries(
    words
      .map((word) => word.split('='))
      .filter(([name, value]) => name !== undefined && name in SOUND_PULL && Number.isFinite(Number(value)))
      .map(([name, value]) => [name, Number(value)]),
  ) as Partial<PullModel>;
}
