import { numberFault } from './finder.store';

describe('A number of the place of use', () => {
  it('may be left out, and is any number above 0', () => {
    expect(['', '  ', '85', '2.5', '2,5'].map(numberFault)).toEqual(['', '', '', '', '']);
  });

  it('is told what is wrong with it', () => {
    expect(numberFault('-3')).toBe('Type a number above 0 alone.');
    expect(numberFault('12 A')).toBe('Type a number above 0 alone.');
    expect(numberFault('warm')).not.toBe('');
  });
});
