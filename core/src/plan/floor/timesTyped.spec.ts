import fc from 'fast-check';
import { readBreaks, readDays, readTimeOfDay, tellBreaks, tellDays } from './timesTyped';

describe('Times as people type them', () => {
  it('are read with a point or a colon, and with or without a nought in front', () => {
    expect(['6:30', '06.30', ' 23:59 ', '0:00'].map(readTimeOfDay)).toEqual(['06:30', '06:30', '23:59', '00:00']);
    expect(['24:00', '6', '6:5', '12:60', 'noon', ''].map(readTimeOfDay)).toEqual([null, null, null, null, null, null]);
  });

  it('of breaks stand apart by spaces, commas or semicolons; what is no time stays as it was typed', () => {
    const breaks = [
      { from: '09:00', to: '09:15' },
      { from: '11:30', to: '12:00' },
    ];
    for (const typed of ['9:00-9:15 11:30-12:00', '09.00–09.15;11.30–12.00', ' 09:00-09:15, 11:30-12:00 '])
      expect(readBreaks(typed)).withContext(typed).toEqual(breaks);
    expect(readBreaks('')).toEqual([]);
    expect(readBreaks('9:00-late noon')).toEqual([
      { from: '09:00', to: 'late' },
      { from: 'noon', to: '' },
    ]);
    expect(tellBreaks(breaks)).toBe('09:00-09:15 11:30-12:00');
  });

  it('of days are names, short or whole, one by one or from one to another', () => {
    expect(readDays('Mon-Fri')).toEqual([1, 2, 3, 4, 5]);
    expect(readDays(' Mon, Tue, ')).toEqual([1, 2]);
    expect(readDays('sunday, Tu; wed tue')).toEqual([2, 3, 7]);
    // Over the end of the week, as where it begins on Sunday.
    expect(readDays('Sun-Thu')).toEqual([1, 2, 3, 4, 7]);
    expect(readDays('Fri-Mon')).toEqual([1, 5, 6, 7]);
    expect(readDays('Wed-Wed')).toEqual([3]);
    // One letter, or no day at all, is not guessed at.
    expect(['T', 'Someday', 'Mon Foo', 'Mon-', '-Mon', ''].map(readDays)).toEqual([null, null, null, null, null, null]);
  });

  it('come back from what was written as they went in', () => {
    const minute = fc.integer({ min: 0, max: 1439 });
    const told = (m: number) => `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`;
    const breaks = fc.array(fc.record({ from: minute.map(told), to: minute.map(told) }), { maxLength: 5 });
    const days = fc
      .uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 })
      .map((all) => all.sort((a, b) => a - b));
    fc.assert(fc.property(breaks, (all) => expect(readBreaks(tellBreaks(all))).toEqual(all)));
    fc.assert(fc.property(days, (all) => expect(readDays(tellDays(all))).toEqual(all)));
  });
});
