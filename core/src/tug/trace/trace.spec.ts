import fc from 'fast-check';
import {
  packTrace,
  readTrace,
  readTraceCsv,
  simulatePull,
  SOUND_PULL,
  unpackTrace,
  writeTraceCsv,
  type PullModel,
} from '../index';

const about = { breaks: 177, strands: 24, loadingRate: null };
const read = (changes: Partial<PullModel>, context: Parameters<typeof readTrace>[1] = about) => {
  const result = readTrace(simulatePull({ ...SOUND_PULL, ...changes }), context);
  if (!result.ok) throw new Error(result.reason.text);
  return result.read;
};

/** Cells of a file without quotes. */
const rowsOf = (text: string) =>
  text
    .replace('\ufeff', '')
    .split('\r\n')
    .map((line) => line.split(','));

describe('A trace', () => {
  // A straight ramp by hand: 100 quiet samples at 2 N, then 0 to 100 N above that in 1000 samples at 1 kHz, then nothing.
  const ramp = [
    ...Array<number>(100).fill(2),
    ...Array.from({ length: 1001 }, (_, i) => 2 + i / 10),
    ...Array<number>(200).fill(2),
  ];

  it('gives zero, peak, loading rate and the one fall of a ramp drawn by hand', () => {
    const result = readTrace({ rate: 1000, forces: ramp }, { ...about, breaks: 110 });
    const own = result.ok ? result.read : null;
    expect(own?.zero).toBe(2);
    expect(own?.peak.force).toBeCloseTo(100, 0);
    expect(own?.peak.at).toBeCloseTo(1.1, 2);
    expect(own?.loadingRate).toBeCloseTo(100, 0);
    expect(own?.rise).toBeCloseTo(0.6, 1);
    expect(own?.drops.length).toBe(1);
    expect(own?.suggestion.mode).toBe('broke-in-wire');
  });

  it('does not take a spike for the peak, and says how many it put aside', () => {
    const spiked = ramp.map((v, i) => (i === 400 ? 900 : v));
    const result = readTrace({ rate: 1000, forces: spiked }, about);
    expect(result.ok && result.read.peak.force).toBeCloseTo(100, 0);
    expect(result.ok && result.read.spikes).toBe(1);
  });

  const told = (evidence: string) =>
    evidence.includes('marks of the jaws')
      ? 'jaws on the wire'
      : evidence.includes('insulation alone')
        ? 'insulation alone'
        : '';
  // Every mode over 12 seeds, wires thin and thick, fast and slow, 1 and 10 kHz.
  const modes: [string, Partial<PullModel>, number][] = [
    ['broke-in-wire', { breaks: 165 }, 177],
    ['broke-at-crimp', { breaks: 100 }, 177],
    ['slid-out', { breaks: 177, holds: 95 }, 177],
    ['strands-one-by-one', { breaks: 150, uneven: 0.25 }, 177],
    // What would make the reading invalid is told as one of two, and left to the eye.
    ['jaws on the wire', { breaks: 177, holds: 130, gripSlips: [40, 60, 85] }, 177],
    ['insulation alone', { breaks: 177, holds: 17, friction: 0.9 }, 177],
  ];
  for (const [mode, model, breaks] of modes) {
    it(`of a pull that ended by '${mode}' says so, whatever the seed, speed, size and rate`, () => {
      let right = 0;
      for (let seed = 1; seed <= 6; seed++) {
        const size = [0.3, 1, 6][seed % 3] ?? 1;
        const scaled = {
          ...model,
          seed,
          rate: seed % 2 ? 1000 : 10_000,
          speed: 25 + seed,
          stiffness: 60 * size,
          breaks: (model.breaks ?? 177) * size,
          holds: (model.holds ?? 1000) * size,
          gripSlips: (model.gripSlips ?? []).map((f) => f * size),
          noise: 0.1 * size,
          spikes: 0.5,
          dropouts: 0.3,
        };
        const { suggestion } = read(scaled, { ...about, breaks: breaks * size });
        expect(suggestion.evidence.length).toBeGreaterThan(10);
        if (suggestion.mode === mode || (suggestion.mode === null && told(suggestion.evidence) === mode)) right += 1;
      }
      // Over more seeds the bench counts them (npm run bench -- trace).
      expect(right).toBeGreaterThanOrEqual(5);
    });
  }

  it('against a table’s loading rate says when it was loaded too fast or jerked', () => {
    const codes = read({ speed: 50 }, { ...about, loadingRate: { min: 5, max: 20 } }).reasons.map((r) => r.code);
    expect(codes).toContain('loading-rate');
    expect(read({ speed: 2000 }).reasons.map((r) => r.code)).toContain('jerked');
  });

  it('that is none gets its reason', () => {
    const why = (forces: number[], rate = 1000) => {
      const result = readTrace({ rate, forces }, about);
      return result.ok ? 'read' : result.reason.code;
    };
    expect(why([1])).toBe('too-few-samples');
    expect(why(Array<number>(300).fill(42))).toBe('stuck');
    expect(why(Array.from({ length: 300 }, (_, i) => 0.1 * Math.sin(i)))).toBe('no-pull');
    expect(why([...ramp.slice(0, 300), NaN, NaN, NaN, ...ramp.slice(300)])).toBe('not-numbers');
    expect(why(ramp, 0)).toBe('no-rate');
    expect(why([...Array<number>(200).fill(90), ...ramp.map((v) => v + 30)])).toBe('no-quiet-start');
    const long = readTrace({ rate: 1000, forces: new Float64Array(5_000_000) }, about);
    expect(!long.ok && long.reason.text).toContain('5000000 samples');
  });

  it('packs into few bytes and comes back to the last digit, whatever it holds', () => {
    const trace = simulatePull({ ...SOUND_PULL, rate: 10_000 });
    const packed = packTrace(trace);
    expect(packed.length).toBeLessThan(1.3 * trace.forces.length);
    expect(unpackTrace(packed)).toEqual(trace);
    fc.assert(
      fc.property(fc.array(fc.double({ noNaN: true, min: -1e9, max: 1e9 }), { maxLength: 80 }), (forces) => {
        const back = unpackTrace(packTrace({ rate: 1000, forces }));
        // A zero has no sign on a gauge.
        expect(Array.from(back?.forces ?? [], (v) => v + 0)).toEqual(forces.map((v) => v + 0));
      }),
      { examples: [[[-0.01, 0.01, 1e9, -1e9, 0.123456]], [[1 / 3]]] },
    );
    expect(unpackTrace(packed.slice(0, -1))).toBeNull();
    expect(unpackTrace(new Uint8Array([1, 2, 3]))).toBeNull();
  });

  it('comes back from CSV as written; ms and lbf are read by their headers', () => {
    const trace = simulatePull(SOUND_PULL);
    const back = readTraceCsv(rowsOf(writeTraceCsv(trace)));
    expect(back.ok && back.trace).toEqual(trace);
    const pounds = readTraceCsv([
      ['Time (ms)', 'Load lbf'],
      ...Array.from({ length: 60 }, (_, i) => [String(i), '10']),
    ]);
    expect(pounds.ok && pounds.trace.rate).toBe(1000);
    expect(pounds.ok && pounds.trace.forces[5]).toBeCloseTo(44.482, 3);
  });

  it('is refused from CSV with row and column where it is wrong', () => {
    const lines = writeTraceCsv({ rate: 1000, forces: ramp }).trim().split('\r\n');
    const where = (edit: (lines: string[]) => void) => {
      const own = [...lines];
      edit(own);
      const result = readTraceCsv(own.map((line) => line.split(',')));
      return result.ok ? 'read' : `${result.row} ${result.column}: ${result.text}`;
    };
    expect(where((l) => (l[41] = '0.04,many'))).toMatch(/^42 force n: 'many' is no number/);
    expect(where((l) => l.splice(40, 5))).toMatch(/^41 time s: The clock jumps/);
    expect(where((l) => (l[41] = '0.0,2'))).toMatch(/^42 time s: Time runs back/);
    expect(where((l) => (l[0] = 'time s,force'))).toMatch(/does not say its unit/);
    expect(where((l) => l.splice(2))).toMatch(/1 samples are no curve/);
  });
});
