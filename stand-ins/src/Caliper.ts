import { normalFrom, random } from '@tug-mark/core';
import { createServer, type Server, type Socket } from 'node:net';

export interface CaliperOptions {
  readonly port: number;
  readonly seed: number;
  /** Standard deviation of a measurement, mm. */
  readonly spread: number;
  /** Smallest step it shows, mm. */
  readonly step: number;
}

/**
 * A made-up caliper on loopback. It says nothing until its button is pressed, then one line, `L +1.487 mm`, and understands
 *
 *     MEASURE 1.48   what lies between its jaws, mm: it shows that with its own scatter, to its own step
 *     UNIT in        mm or in
 *
 * Every station that connects hears the same caliper.
 */
export class Caliper {
  private readonly server: Server;
  private readonly sockets = new Set<Socket>();
  private readonly normal: () => number;
  private unit: 'mm' | 'in' = 'mm';

  constructor(private readonly options: CaliperOptions) {
    this.normal = normalFrom(random(options.seed));
    this.server = createServer((socket) => {
      this.greet(socket);
    });
  }

  /** Begins to listen. @returns the port */
  listen(): Promise<number> {
    return new Promise((resolve, reject) => {
      this.server.once('error', reject);
      this.server.listen(this.options.port, '127.0.0.1', () => {
        const address = this.server.address();
        resolve(typeof address === 'object' && address ? address.port : this.options.port);
      });
    });
  }

  close(): void {
    for (const socket of this.sockets) socket.destroy();
    this.server.close();
  }

  /**
   * Measures a length, mm, and sends it, as when the button is pressed.
   * @returns what it showed
   */
  measure(length: number): string {
    const { spread, step } = this.options;
    const seen = Math.max(0, Math.round((length + spread * this.normal()) / step) * step);
    const text = this.unit === 'mm' ? `L +${seen.toFixed(3)} mm` : `L +${(seen / 25.4).toFixed(5)} in`;
    for (const socket of this.sockets) socket.write(`${text}\n`);
    return text;
  }

  setUnit(unit: 'mm' | 'in'): void {
    this.unit = unit;
  }

  private greet(socket: Socket): void {
    this.sockets.add(socket);
    socket.setEncoding('latin1');
    let rest = '';
    socket.on('data', (text) => {
      const lines = (rest + text.toString()).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) {
        const [word, value] = line.trim().split(/\s+/);
        if (word === 'MEASURE' && Number(value) >= 0) this.measure(Number(value));
        if (word === 'UNIT') this.setUnit(value === 'in' ? 'in' : 'mm');
      }
    });
    socket.on('error', () => undefined);
    socket.on('close', () => this.sockets.delete(socket));
  }
}
