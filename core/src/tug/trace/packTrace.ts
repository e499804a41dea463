import type { Trace } from './Trace';

const MAGIC = [0x54, 0x4d, 0x54, 0x31]; // 'TMT1'
const HEADER = 17;
const RAW = 255;
const MOST_DECIMALS = 6;

/**
 * A trace in few bytes, without loss: gauges send decimals, so the samples are whole multiples of a power of ten and
 * change little from one to the next. Header: 'TMT1', rate (float64), count (uint32), decimals (uint8; 255: float64
 * samples, kept as they are); then differences, zigzag, seven bits a byte.
 */
export function packTrace({ rate, forces }: Trace): Uint8Array {
  const n = forces.length;
  const decimals = decimalsOf(forces);
  const bytes = new Uint8Array(HEADER + 8 * n);
  const view = new DataView(bytes.buffer);
  bytes.set(MAGIC);
  view.setFloat64(4, rate, true);
  view.setUint32(12, n, true);
  view.setUint8(16, decimals ?? RAW);
  if (decimals === null) {
    for (let i = 0; i < n; i++) view.setFloat64(HEADER + 8 * i, forces[i] as number, true);
    return bytes;
  }
  const scale = 10 ** decimals;
  let at = HEADER;
  let before = 0;
  for (let i = 0; i < n; i++) {
    const value = Math.round((forces[i] as number) * scale);
    let rest = value - before;
    rest = rest < 0 ? -2 * rest - 1 : 2 * rest;
    for (; rest >= 128; rest = Math.floor(rest / 128)) bytes[at++] = (rest % 128) | 128;
    bytes[at++] = rest;
    before = value;
  }
  return bytes.slice(0, at);
}

function decimalsOf(forces: ArrayLike<number>): number | null {
  let decimals = 0;
  for (let i = 0, n = forces.length; i < n; i++) {
    const value = forces[i] as number;
    while (decimals <= MOST_DECIMALS && Math.round(value * 10 ** decimals) / 10 ** decimals !== value) decimals += 1;
    if (decimals > MOST_DECIMALS || Math.abs(value) * 10 ** decimals > 1e12) return null;
  }
  return decimals;
}

/**
 * Reads what {@link packTrace} wrote.
 * @returns null when the bytes are not a trace or break off
 */
export function unpackTrace(bytes: Uint8Array): Trace | null {
  if (bytes.length < HEADER || MAGIC.some((byte, i) => bytes[i] !== byte)) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const rate = view.getFloat64(4, true);
  const n = view.getUint32(12, true);
  const decimals = view.getUint8(16);
  if (!(rate > 0) || n > bytes.length) return null;
  const forces = new Float64Array(n);
  if (decimals === RAW) {
    if (bytes.length !== HEADER + 8 * n) return null;
    for (let i = 0; i < n; i++) forces[i] = view.getFloat64(HEADER + 8 * i, true);
    return { rate, forces };
  }
  if (decimals > MOST_DECIMALS) return null;
  const scale = 10 ** decimals;
  let at = HEADER;
  let value = 0;
  for (let i = 0; i < n; i++) {
    let rest = 0;
    let place = 1;
    for (;;) {
      const byte = bytes[at++];
      if (byte === undefined || place > 2 ** 49) return null;
      rest += (byte & 127) * place;
      place *= 128;
      if (byte < 128) break;
    }
    value += rest % 2 ? -(rest + 1) / 2 : rest / 2;
    forces[i] = value / scale;
  }
  return at === bytes.length ? { rate, forces } : null;
}
