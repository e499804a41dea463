import { TestBed } from '@angular/core/testing';
import { measureMark } from '@tug-mark/core';
import { markText } from './mark-text';
import { pathOf } from './photo-drawing';
import { PhotoMarking } from './photo-marking';

describe('Marking on a photograph', () => {
  const open = () => {
    TestBed.configureTestingModule({ providers: [PhotoMarking] });
    const marking = TestBed.inject(PhotoMarking);
    marking.show({ x: 640, y: 480 });
    return marking;
  };

  it('begins with the scale, its crosshair in the middle of the picture', () => {
    const marking = open();
    expect(marking.tool()).toBe('scale');
    expect(marking.cross()).toEqual({ x: 320, y: 240 });
    expect(marking.hint()).toContain('Scale: two ends of a length you know. 2 to set.');
  });

  it('asks how long it is once both ends are set, and takes no third point meanwhile', () => {
    const marking = open();
    marking.set({ x: 10, y: 20 });
    marking.set({ x: 110, y: 20 });
    expect(marking.asksLength()).toBeTrue();
    marking.set({ x: 200, y: 200 });
    expect(marking.draft().length).toBe(2);
    // 100 px are 4 mm: 25 px to a millimetre.
    expect(marking.setScale('4')).toBeTrue();
    expect(marking.perMm()).toBe(25);
    expect(marking.tool()).toBe('length');
    expect(marking.isChanged()).toBeTrue();
  });

  it('takes the length in inches too', () => {
    const marking = open();
    marking.set({ x: 0, y: 0 });
    marking.set({ x: 254, y: 0 });
    expect(marking.setScale('0.1 in')).toBeTrue();
    // 0.1 in is 2.54 mm
    expect(marking.perMm()).toBeCloseTo(100, 9);
  });

  it('refuses a length that is none, and two ends on each other, and keeps the points', () => {
    const marking = open();
    marking.set({ x: 10, y: 20 });
    marking.set({ x: 10, y: 20 });
    expect(marking.setScale('4')).toBeFalse();
    expect(marking.refusal()).toContain('lie on each other');
    expect(marking.setScale('long')).toBeFalse();
    expect(marking.refusal()).not.toContain('lie on each other');
    expect(marking.draft().length).toBe(2);
  });

  it('makes a length of two points, an angle of three, and an area of as many as are set', () => {
    const marking = open();
    marking.take('length');
    marking.set({ x: 0, y: 0 });
    marking.set({ x: 30, y: 40 });
    marking.take('angle');
    for (const x of [0, 10, 20]) marking.set({ x, y: x === 10 ? 10 : 0 });
    marking.take('area');
    marking.set({ x: 0, y: 0 });
    marking.set({ x: 10, y: 0 });
    marking.finish();
    expect(marking.marks().map((m) => m.kind)).toEqual(['length', 'angle']);
    marking.set({ x: 10, y: 10 });
    marking.finish();
    expect(marking.marks().map((m) => m.kind)).toEqual(['length', 'angle', 'area']);
    expect(marking.picked()).toBe(2);
  });

  it('sets no point outside the picture', () => {
    const marking = open();
    marking.move(-5000, 5000);
    expect(marking.cross()).toEqual({ x: 0, y: 480 });
    marking.take('length');
    marking.set({ x: 900, y: -3 });
    expect(marking.draft()).toEqual([{ x: 640, y: 0 }]);
  });

  it('takes the last point back, drops a mark, and zooms between whole and eight times', () => {
    const marking = open();
    marking.take('length');
    marking.set({ x: 1, y: 1 });
    marking.takeBack();
    expect(marking.draft()).toEqual([]);
    marking.set({ x: 1, y: 1 });
    marking.set({ x: 5, y: 1 });
    marking.remove(0);
    expect(marking.marks()).toEqual([]);
    marking.zoomBy(-1);
    expect(marking.zoom()).toBe(1);
    marking.zoomBy(99);
    expect(marking.zoom()).toBe(8);
  });

  it('shows what is on record as unchanged, with the next tool in hand', () => {
    const marking = open();
    const scale = { from: { x: 0, y: 0 }, to: { x: 50, y: 0 }, length: 1 };
    marking.restore(scale, [{ kind: 'length', points: [], point: null, note: '' }]);
    expect(marking.isChanged()).toBeFalse();
    expect(marking.tool()).toBe('length');
    marking.answer(0, 'brush');
    expect(marking.marks()[0]?.point).toBe('brush');
    expect(marking.isChanged()).toBeTrue();
    marking.kept();
    expect(marking.isChanged()).toBeFalse();
  });
});

describe('A mark on a photograph', () => {
  const points = [
    { x: 0, y: 0 },
    { x: 30, y: 40 },
  ];
  const length = { kind: 'length', points, point: null, note: '' } as const;

  it('needs a scale for a length, and says how far off it may be', () => {
    expect(markText(length, null)).toBe('needs a scale');
    const scale = { from: { x: 0, y: 0 }, to: { x: 100, y: 0 }, length: 10 };
    // 50 px of 10 px to a millimetre.
    expect(markText(length, scale)).toMatch(/^5\.000 mm \(±0\.\d{3}\)$/);
    expect(measureMark(length, scale)?.value).toBeCloseTo(5, 9);
  });

  it('is drawn as its line, an area closed, a circle as its rim through three points', () => {
    expect(pathOf(length)).toBe('M0 0L30 40');
    expect(pathOf({ ...length, kind: 'area' })).toBe('M0 0L30 40Z');
    const rim = [
      { x: 10, y: 0 },
      { x: 0, y: 10 },
      { x: -10, y: 0 },
    ];
    // Through these goes the circle about the origin of radius 10.
    expect(pathOf({ ...length, kind: 'circle', points: rim })).toMatch(
      /^M-10 -?0a10 10 0 1 0 20 0a10 10 0 1 0 -20 0Z$/,
    );
    const line = [0, 5, 9].map((x) => ({ x, y: 0 }));
    expect(pathOf({ ...length, kind: 'circle', points: line })).toBe('M0 0L5 0L9 0');
  });
});
