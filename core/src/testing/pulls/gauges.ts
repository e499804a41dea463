import type { Trace } from '../../tug';
import type { Pulled } from './Joint';

/** What a gauge makes of a force. Shares are of what its wire breaks at. */
export interface Gauge {
  readonly name: string;
  /** Readings a second. */
  readonly rate: number;
  /** Standard deviation of its noise, as a share. */
  readonly noise: number;
  /** What it shows with nothing on, as a share, and how that wanders in a second. */
  readonly zero: number;
  readonly drift: number;
  /** Of the mains: Hz, and half of its swing as a share. */
  readonly hum: { readonly frequency: number; readonly swing: number } | null;
  /** Time constants of its filters one behind the other, s. */
  readonly lag: readonly number[];
  /** Smallest step it shows, N. */
  readonly step: number;
  readonly sign: 1 | -1;
  /** Shows no more than this share; Infinity: all. */
  readonly capacity: number;
  /** Runs of one or two samples a second that are off. */
  readonly spikes: number;
  /** Share the joint is already pulled with when the record begins. */
  readonly preload: number;
  readonly holdsPeak: boolean;
}

const plain: Gauge = {
  name: 'plain',
  rate: 1000,
  noise: 0.0008,
  zero: 0.002,
  drift: 0.0001,
  hum: null,
  lag: [],
  step: 0.01,
  sign: 1,
  capacity: Infinity,
  spikes: 0,
  preload: 0,
  holdsPeak: false,
};

/** Kinds of gauge. */
export const GAUGES: readonly Gauge[] = [
  plain,
  { ...plain, name: 'fast', rate: 10_000 },
  { ...plain, name: 'noisy', noise: 0.006 },
  { ...plain, name: 'fast and noisy, with hum', rate: 10_000, noise: 0.004, hum: { frequency: 50, swing: 0.004 } },
  { ...plain, name: 'with hum', hum: { frequency: 50, swing: 0.008 } },
  { ...plain, name: 'slow, with hum', rate: 100, hum: { frequency: 60, swing: 0.006 } },
  { ...plain, name: 'slow', rate: 100 },
  { ...plain, name: 'slow, noisy and late', rate: 100, noise: 0.004, lag: [0.03] },
  { ...plain, name: 'late', rate: 2000, lag: [0.008, 0.008] },
  { ...plain, name: 'very late', rate: 500, lag: [0.05] },
  { ...plain, name: 'ten a second', rate: 10 },
  { ...plain, name: 'ten a second, late', rate: 10, lag: [0.15], noise: 0.002 },
  { ...plain, name: 'in coarse steps', rate: 500, step: 1, noise: 0.0003 },
  { ...plain, name: 'slow, in coarse steps', rate: 100, step: 0.5 },
  { ...plain, name: 'drifting', drift: 0.004, zero: 0.02 },
  { ...plain, name: 'counting down', rate: 500, sign: -1 },
  { ...plain, name: 'too small', capacity: 0.5 },
  { ...plain, name: 'with spikes', spikes: 4, noise: 0.002 },
  { ...plain, name: 'preloaded', rate: 200, preload: 0.06 },
  { ...plain, name: 'holding its peak', rate: 100, holdsPeak: true },
];

/** Readings kept before and after a pull, s. */
const BEFORE = 0.4;
const AFTER = 0.5;

/** Moments a second a joint has to be followed with for a gauge. */
export const followedWith = (rate: number): number => Math.ceil(2000 / rate) * rate;

/**
 * What a gauge shows of a pull.
 * @param pulled followed with {@link followedWith}
 * @param breaks what the wire breaks at, N
 */
export function showPull(
  gauge: Gauge,
  pulled: Pulled,
  breaks: number,
  next: () => number,
  normal: () => number,
): Trace {
  const every = pulled.rate / gauge.rate;
  const preload = Math.min(gauge.preload * breaks, 0.4 * pulled.peak);
  // A pull that begins under load has its slack behind it.
  const from = Math.max(
    0,
    pulled.forces.findIndex((force) => force >= preload),
  );
  const phase = Math.floor(next() * every);
  const filters = gauge.lag.map((time) => ({ keeps: Math.exp(-1 / (pulled.rate * time)), value: preload }));
  const humAt = next();
  const wanders = gauge.drift * breaks * (next() < 0.5 ? 1 : -1) * (0.5 + next());
  const zero = gauge.zero * breaks * normal();
  const shown: number[] = [];
  let held = -Infinity;
  let off = 0;
  let offBy = 0;
  const before = Math.round(BEFORE * pulled.rate);
  const length = before + pulled.forces.length - from + Math.round(AFTER * pulled.rate);
  for (let i = 0; i < length; i++) {
    let force = i < before ? preload : (pulled.forces[from + i - before] ?? 0);
    for (const filter of filters) {
      filter.value = filter.keeps * filter.value + (1 - filter.keeps) * force;
      force = filter.value;
    }
    if ((i + phase) % every) continue;
    const time = i / pulled.rate;
    const { hum } = gauge;
    let value = force + zero + wanders * time + gauge.noise * breaks * normal();
    if (hum) value += hum.swing * breaks * Math.sin(2 * Math.PI * (hum.frequency * time + humAt));
    if (off === 0 && next() < gauge.spikes / gauge.rate) {
      off = next() < 0.5 ? 1 : 2;
      offBy = breaks * (0.15 + 0.5 * next()) * (next() < 0.5 ? 1 : -1);
    }
    if (off > 0) {
      off -= 1;
      value += offBy;
    }
    value = Math.min(value, gauge.capacity * breaks);
    if (gauge.holdsPeak) value = held = Math.max(held, value);
    shown.push(gauge.sign * Math.round(value / gauge.step) * gauge.step || 0);
  }
  return { rate: gauge.rate, forces: Float64Array.from(shown) };
}
