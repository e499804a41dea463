import fc from 'fast-check';
import {
  doubtText,
  openLinePattern,
  PullWatch,
  readCaliperLine,
  readGaugeLine,
  readTypedLine,
  simulatePull,
  SOUND_PULL,
  type WatchedPull,
} from '../index';

const open = (text: string, unit: 'N' | 'lbf' | 'kgf' = 'N') => {
  const read = openLinePattern(text, unit);
  if (!read.ok) throw new Error(read.text);
  return read.pattern;
};

describe('A line of a caliper', () => {
  const opened = openLinePattern('L {value} {unit}', 'mm');
  const read = (line: string) => (opened.ok ? readCaliperLine(line, opened.pattern) : undefined);

  it('is a length in mm by the unit it names itself', () => {
    expect(read('L +1.487 mm')).toBe(1.487);
    expect(read('L 0.1 in')).toBe(2.54);
  });

  it('is nothing when it is no length, in no unit of length, or below 0', () => {
    for (const line of ['L err mm', 'L 3 N', 'L -0.2 mm', 'F 1.2 mm', ''])
      expect(read(line)).withContext(line).toBeNull();
  });
});

describe('A line of a gauge', () => {
  const pattern = open('F {value} {unit} {status}');

  it('is a force in N, by the unit it names itself', () => {
    expect(readGaugeLine('F +118.42 N OK', pattern)).toEqual({
      outcome: 'force',
      newtons: 118.42,
      status: 'fine',
      otherUnit: null,
    });
    const pounds = readGaugeLine('F 10 lbf OK', pattern);
    expect(pounds.outcome === 'force' && pounds.newtons).toBeCloseTo(44.482, 3);
    expect(pounds.outcome === 'force' && pounds.otherUnit).toBe('lbf');
  });

  it('says overload and zero in its status', () => {
    const status = (line: string) => {
      const read = readGaugeLine(line, pattern);
      return read.outcome === 'force' ? read.status : 'garbled';
    };
    expect(status('F 999.9 N OVER')).toBe('overload');
    expect(status('F OL N OK')).toBe('overload');
    expect(status('F 0.0 N ZERO')).toBe('zeroed');
  });

  it('that is garbled is never a force', () => {
    for (const line of [
      '',
      'F',
      'F 11x.4 N OK',
      'F 118.4 Q OK',
      '118.4 N OK',
      'F 1.2.3 N OK',
      'F 118',
      '\u0000\u0001',
      'F 1 N OK '.repeat(40),
    ]) {
      expect(readGaugeLine(line, pattern).outcome).withContext(JSON.stringify(line)).toBe('garbled');
    }
    fc.assert(
      fc.property(fc.string(), (noise) => {
        const read = readGaugeLine(noise, pattern);
        return read.outcome === 'garbled' || /^\s*F\s/.test(noise);
      }),
    );
  });

  it('of a plain gauge needs no more than its value', () => {
    const plain = readGaugeLine('  -12,5 ', open('{value}', 'kgf'));
    expect(plain.outcome === 'force' && plain.newtons).toBeCloseTo(-122.583, 3);
  });

  it('is described by a pattern that has a value, once, and no unknown places', () => {
    const why = (text: string) => {
      const read = openLinePattern(text, 'N');
      return read.ok ? 'fine' : read.text;
    };
    expect(why('{any};{value};{unit}')).toBe('fine');
    expect(why('F {unit}')).toContain('needs {value}');
    expect(why('{value} {value}')).toContain('twice');
    expect(why('{force}')).toContain('no place here');
  });
});

describe('A line typed by a gauge', () => {
  it('is read whatever stands around its number; what a person types stays as it is', () => {
    const own = { pattern: 'PK {value} {unit} {status}', unit: 'lbf' };
    expect(readTypedLine('118.4', null)).toBe('118.4');
    expect(readTypedLine(' 12,5 lbf', null)).toBe('12,5 lbf');
    expect(readTypedLine('\u0002ST,GS,+00118.4 N\u0003\r', null)).toBe('118.4 N');
    expect(readTypedLine('PEAK 26.6 LBF OK', null)).toBe('26.6 lbf');
    // The station's own pattern: 26.6 lbf is 118.3227 N.
    expect(readTypedLine('PK 26.6 lbf OK', own)).toBe('118.322695 N');
    // Two numbers with units: which one is meant nobody can know.
    expect(readTypedLine('min 3 N max 118 N', null)).toBe('min 3 N max 118 N');
    expect(readTypedLine('2012345678903', null)).toBe('2012345678903');
    expect(readTypedLine('FL-OC-1508', null)).toBe('FL-OC-1508');
  });
});

describe('A live gauge', () => {
  const quiet = (n: number) => Array.from({ length: n }, (_, i) => 0.3 + 0.05 * Math.sin(i));
  const pullOf = (changes: Partial<typeof SOUND_PULL> = {}) =>
    Array.from(simulatePull({ ...SOUND_PULL, ...changes }).forces);
  /** Feeds samples in packets of 40, as the bridge does. */
  const feed = (watch: PullWatch, samples: readonly number[]) => {
    const pulls: WatchedPull[] = [];
    for (let i = 0; i < samples.length; i += 40) {
      const done = watch.take(samples.slice(i, i + 40));
      if (done) pulls.push(done);
    }
    return pulls;
  };
  const watch = () => new PullWatch({ rate: 1000, starts: 3 });

  it('gives one pull with its peak above zero, and the whole curve', () => {
    const [pull, ...more] = feed(watch(), [...quiet(1500), ...pullOf(), ...quiet(1500)]);
    expect(more).toEqual([]);
    expect(pull?.peak).toBeGreaterThan(126);
    expect(pull?.peak).toBeLessThan(132);
    expect(pull?.zero).toBeCloseTo(0.3, 1);
    expect(pull?.doubts).toEqual([]);
    expect(pull?.forces.length).toBeGreaterThan(2500);
  });

  it('takes the tail of a slide for what it is: no pull of its own, however long it hangs on', () => {
    const tail = (n: number) => Array.from({ length: n }, (_, i) => 6 + 2.5 * Math.sin(i / 40));
    const samples = [...quiet(1000), ...pullOf(), ...tail(5000), ...quiet(800), ...pullOf({ seed: 2 }), ...quiet(1000)];
    const pulls = feed(watch(), samples);
    expect(pulls.length).toBe(2);
    expect(Math.min(...pulls.map((p) => p.peak))).toBeGreaterThan(100);
    // From its first sample to the one that ended it: about as long as its forces.
    for (const { seconds, forces } of pulls) expect(Math.abs(seconds - forces.length / 1000)).toBeLessThan(0.4);
  });

  it('whose zero has moved by a pull finds the next pull from its new one', () => {
    const shifted = pullOf({ seed: 2 }).map((f) => f + 8);
    // It never comes back to where it was: from the slide on it hangs at 8 N.
    const up = pullOf();
    const slid = up.slice(
      0,
      up.findLastIndex((f) => f > 30),
    );
    const samples = [
      ...quiet(1000),
      ...slid,
      ...quiet(5000).map((f) => f + 8),
      ...shifted,
      ...quiet(1000).map((f) => f + 8),
    ];
    const [first, second, ...more] = feed(watch(), samples);
    expect(more).toEqual([]);
    expect(Math.abs((first?.peak ?? 0) - (second?.peak ?? 0))).toBeLessThan(6);
  });

  it('tells three pulls apart', () => {
    const samples = [...quiet(1000), ...[1, 2, 3].flatMap((seed) => [...pullOf({ seed }), ...quiet(1200)])];
    expect(feed(watch(), samples).length).toBe(3);
  });

  it('that is lost and found again keeps the peak, gives no curve, and asks', () => {
    const own = watch();
    const samples = [...quiet(1000), ...pullOf(), ...quiet(1000)];
    expect(feed(own, samples.slice(0, 3000))).toEqual([]);
    const before = own.peakSoFar;
    own.lost();
    const [pull] = feed(own, samples.slice(3300));
    expect(pull?.peak).toBeGreaterThanOrEqual(before);
    expect(pull?.doubts).toEqual(['gauge-lost']);
    expect(pull?.forces).toEqual([]);
    expect(doubtText('gauge-lost')).toContain('lost during the pull');
  });

  it('that never comes back still gives what was seen', () => {
    const own = watch();
    feed(own, [...quiet(1000), ...pullOf()].slice(0, 3000));
    own.lost();
    expect(own.settle()?.peak).toBeGreaterThan(80);
    expect(own.settle()).toBeNull();
  });

  it('goes on with a pull in hand after the page was loaded again, and asks', () => {
    const first = watch();
    const samples = [...quiet(1000), ...pullOf(), ...quiet(1000)];
    feed(first, samples.slice(0, 3400));
    const again = new PullWatch({ rate: 1000, starts: 3 }, first.snapshot);
    const [pull] = feed(again, samples.slice(3600));
    expect(pull?.peak).toBeGreaterThan(126);
    expect(pull?.doubts).toEqual(['gauge-lost']);
    expect(watch().snapshot).toBeNull();
  });

  it('asks when the value is stuck, when it pushes, and at an overload', () => {
    const stuck = feed(watch(), [...quiet(1000), ...Array<number>(1500).fill(80), ...quiet(1000)]);
    expect(stuck[0]?.doubts).toEqual(['stuck']);
    const pushed = feed(watch(), [
      ...quiet(1000),
      ...pullOf().map((v) => -v),
      ...quiet(200),
      ...pullOf({ breaks: 60 }),
      ...quiet(1000),
    ]);
    expect(pushed[0]?.doubts).toContain('negative');
    const own = watch();
    feed(own, [...quiet(1000), 20, 40, 60]);
    own.take([80, Infinity, 90], true);
    expect(feed(own, quiet(1000))[0]?.doubts).toEqual(['overload']);
  });
});
