import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Bench, signedIn } from '../testing/bench';
import { injectEditedForm } from './edited-form';
import { TypedBack } from './typed-back';

interface Sheet {
  readonly name: string;
  readonly length: string;
}

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, TypedBack],
  template: `
    <form [formGroup]="edited.form()" (ngSubmit)="edited.tried()">
      <tm-typed-back [edited]="edited" />
      <input id="length" formControlName="length" />
      <output>{{ doubled() }}; tried {{ edited.tries() }}</output>
    </form>
  `,
})
class SheetEditor {
  readonly sheet = input.required<Sheet>();
  readonly edited = injectEditedForm(() => {
    const { name, length } = this.sheet();
    const form = new FormGroup({ length: new FormControl(length, { nonNullable: true }) });
    return {
      ...{ form, place: `sheet/${name}`, over: this.sheet() },
      restore: (value: { length: string }) => {
        form.controls.length.setValue('half of it');
        form.controls.length.setValue(value.length.trim());
      },
    };
  });
  protected readonly doubled = computed(() => {
    this.edited.changes();
    return Number(this.edited.form().value.length) * 2;
  });
}

const RING: Sheet = { name: 'R-1', length: '5' };
const BACK = 'is back; it is not kept yet';
const OLDER = 'Meanwhile somebody has kept a change';

describe('What is typed into an editor', () => {
  let bench: Bench<SheetEditor>;
  const open = async (sheet = RING, kept: Record<string, string> = {}) => {
    bench = await Bench.open(SheetEditor, { inputs: { sheet }, kept });
  };
  /** The page goes without a word, and the device keeps what it keeps. */
  const closed = () => {
    const kept = { ...localStorage } as Record<string, string>;
    bench.close();
    return kept;
  };
  const length = () => bench.element.querySelector<HTMLInputElement>('#length')?.value;
  const key = () => Object.keys(localStorage).find((each) => each.endsWith('sheet/R-1'));
  afterEach(() => {
    bench.close();
  });

  it('is computed with at once, whoever puts it there', async () => {
    await open();
    await bench.type('length', '7');
    expect(bench.text).toContain('14; tried 0');
    bench.fixture.componentInstance.edited.form().controls.length.setValue('8');
    await bench.settle();
    expect(bench.text).toContain('16; tried 0');
  });

  it('is there again after the page was closed, says so, and can be thrown away', async () => {
    await open();
    expect(key()).toBeUndefined();
    await bench.type('length', '7');
    await open(RING, closed());
    expect(length()).toBe('7');
    expect(bench.text).toContain(BACK);
    expect(bench.text).not.toContain(OLDER);
    await bench.submit();
    expect(bench.text).toContain('tried 1');
    await bench.press('Begin again without it');
    expect(length()).toBe('5');
    expect(bench.text).toContain('tried 0');
    expect(bench.text).not.toContain(BACK);
    expect(key()).toBeUndefined();
  });

  it('comes back into its own form only', async () => {
    await open();
    await bench.type('length', '7');
    bench.fixture.componentRef.setInput('sheet', { name: 'R-2', length: '9' });
    await bench.settle();
    expect(length()).toBe('9');
    expect(bench.text).not.toContain(BACK);
    bench.fixture.componentRef.setInput('sheet', RING);
    await bench.settle();
    expect(length()).toBe('7');
  });

  it('is nobody else’s: neither another person’s at this bench nor another shop’s', async () => {
    await open();
    await bench.type('length', '7');
    const name = key() ?? '';
    const kept = closed();
    const person = signedIn('technician').person?.id ?? '';
    await open(RING, { [name.replace(person, 'somebody-else')]: kept[name] ?? '' });
    expect(length()).toBe('5');
    bench.close();
    await open(RING, { [name]: (kept[name] ?? '').replace(/"shop":"[^"]*"/, '"shop":"another"') });
    expect(length()).toBe('5');
  });

  it('says when it would take the place of a change that somebody else has kept meanwhile, until begun again', async () => {
    await open();
    await bench.type('length', '7');
    await open({ ...RING, length: '6' }, closed());
    expect(length()).toBe('7');
    expect(bench.text).toContain(OLDER);
    // Typing on has not read what the other has changed.
    await bench.type('length', '7.5');
    await open({ ...RING, length: '6' }, closed());
    expect(bench.text).toContain(OLDER);
    await bench.press('Begin again without it');
    expect(length()).toBe('6');
    await bench.type('length', '8');
    await open({ ...RING, length: '6' }, closed());
    expect(length()).toBe('8');
    expect(bench.text).not.toContain(OLDER);
  });

  it('of a release whose form was another one is forgotten, and the form begins whole', async () => {
    await open();
    await bench.type('length', '7');
    const name = key() ?? '';
    const kept = JSON.parse(closed()[name] ?? '') as object;
    await open(RING, { [name]: JSON.stringify({ ...kept, value: { reach: '7' } }) });
    expect(length()).toBe('5');
    expect(bench.text).not.toContain(BACK);
    expect(key()).toBeUndefined();
    bench.close();
    await open(RING, { [name]: 'not ours' });
    expect(length()).toBe('5');
  });
});
