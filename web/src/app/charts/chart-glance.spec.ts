import { glanceOf } from './chart-glance';

describe('A chart at a glance', () => {
  const block = (from: number, n: number, least: number, greatest: number, mean: number) => ({
    n,
    least,
    greatest,
    mean,
    from,
    to: from + 1000,
  });

  it('draws the range of each block where its readings will stand, in order of time', () => {
    const glance = glanceOf([block(5000, 2, 120, 140, 130), block(0, 4, 110, 150, 127)], [0, 500, 5000, 9000]);
    expect(glance?.view.level.points).toEqual([
      [0, 110],
      [3, 150],
      [4, 120],
      [5, 140],
    ]);
    expect(glance?.work.count).toBe(6);
    expect(glance?.work.lowest).toBe(110);
    // (4 x 127 + 2 x 130) / 6
    expect(glance?.work.mean).toBeCloseTo(128, 9);
    expect(glance?.work.placesOf).toEqual([0, 2, 4, 6]);
  });

  it('concludes nothing: no limits, no signals, no trend', () => {
    const work = glanceOf([block(0, 4, 110, 150, 127)], [])?.work;
    expect([work?.level, work?.own, work?.trend, work?.signalCount]).toEqual([null, null, null, 0]);
    expect(glanceOf([], [])).toBeNull();
  });
});
