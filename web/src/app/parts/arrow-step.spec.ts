import { arrowStep } from './arrow-step';

describe('An arrow key over a picture', () => {
  it('moves by its step in the picture’s directions, down being more', () => {
    expect(arrowStep('ArrowLeft', 5)).toEqual({ x: -5, y: 0 });
    expect(arrowStep('ArrowRight', 5)).toEqual({ x: 5, y: 0 });
    expect(arrowStep('ArrowUp', 1)).toEqual({ x: 0, y: -1 });
    expect(arrowStep('ArrowDown', 1)).toEqual({ x: 0, y: 1 });
  });

  it('is no other key', () => {
    expect(['a', ' ', 'Enter', 'PageUp'].map((key) => arrowStep(key, 5))).toEqual([null, null, null, null]);
  });
});
