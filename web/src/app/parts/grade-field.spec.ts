import { FormControl } from '@angular/forms';
import { PLAIN_SETTINGS } from '@tug-mark/contract';
import { sessionActions } from '../session/session.state';
import { Bench, signedIn } from '../testing/bench';
import { GradeField } from './grade-field';

describe('A grade of work', () => {
  let bench: Bench<GradeField>;
  let control: FormControl<string>;
  const open = async (stands: string, grades: readonly string[], none = '') => {
    control = new FormControl(stands, { nonNullable: true });
    bench = await Bench.open(GradeField, { inputs: { fieldId: 'g', control, none } });
    const here = signedIn('engineer');
    const settings = { ...PLAIN_SETTINGS, grades };
    bench.store.dispatch(sessionActions.arrived({ here: { ...here, shop: { ...here.shop, settings } } }));
    await bench.settle();
  };
  afterEach(() => {
    bench.close();
  });

  it('is typed where the shop names none', async () => {
    await open('', []);
    await bench.type('g', '7');
    expect(control.value).toBe('7');
  });

  it('is chosen from those the shop names; one it does not name stays until another is chosen', async () => {
    await open('old', ['standard', 'high']);
    expect(await bench.offers('g')).toEqual(['standard', 'high', 'old']);
    await bench.choose('g', 'high');
    expect(control.value).toBe('high');
    expect(await bench.offers('g')).toEqual(['standard', 'high']);
  });

  it('may be none where the form says so', async () => {
    await open('', ['standard'], 'every grade');
    expect(await bench.offers('g')).toEqual(['every grade', 'standard']);
  });
});
