import { keepSettings, readSettings, settingsActions, settingsFeature } from './settings.state';

describe('What is set on a device', () => {
  beforeEach(() => {
    localStorage.clear();
  });

  it('is taken over from the names it had before, once, and kept under one', () => {
    localStorage.setItem('tug-mark-look', 'dark');
    localStorage.setItem('tug-mark-force-unit', 'lbf');
    localStorage.setItem('tug-mark-px-per-mm', '4.1');
    const read = readSettings();
    expect(read).toEqual(jasmine.objectContaining({ look: 'dark', forceUnit: 'lbf', pxPerMm: 4.1, gauge: null }));
    keepSettings({ ...read, look: 'light' });
    expect(Object.keys(localStorage)).toEqual(['tug-mark-settings']);
    expect(readSettings().look).toBe('light');
  });

  it('is as if it had never been set where it cannot be read, and the rest stays', () => {
    localStorage.setItem('tug-mark-settings', JSON.stringify({ look: 'plaid', forceUnit: 'kgf', pxPerMm: 900 }));
    expect(readSettings()).toEqual(jasmine.objectContaining({ look: 'system', forceUnit: 'kgf', pxPerMm: null }));
    localStorage.setItem('tug-mark-settings', '{');
    expect(readSettings().forceUnit).toBe('N');
  });

  it('changes one thing at a time', () => {
    const before = readSettings();
    const after = settingsFeature.reducer(before, settingsActions.set({ changes: { gauge: 'G-1' } }));
    expect(after).toEqual({ ...before, gauge: 'G-1' });
  });
});
