import { ChangeDetectionStrategy, Component } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Bench } from '../testing/bench';
import { DayField } from './day-field';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, DayField],
  template: `
    <form [formGroup]="form">
      <tm-day-field fieldId="due" formControlName="due" />
    </form>
  `,
})
class Due {
  readonly form = new FormGroup({ due: new FormControl<string | null>(null) });
}

describe('A day in a form', () => {
  let bench: Bench<Due>;
  beforeEach(async () => {
    bench = await Bench.open(Due);
  });
  afterEach(() => {
    bench.close();
    for (const left of document.querySelectorAll('.cdk-overlay-container')) left.innerHTML = '';
  });
  const field = () => {
    const found = bench.element.querySelector<HTMLInputElement>('#due');
    if (!found) throw new Error('no field');
    return found;
  };
  const due = () => bench.fixture.componentInstance.form.controls.due;
  const typed = async (text: string, then: Event) => {
    field().value = text;
    field().dispatchEvent(then);
    await bench.settle();
  };
  const enter = () => new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true });

  it('is empty to begin with, and says how a day is written without looking like one', () => {
    expect(due().value).toBeNull();
    expect(field().placeholder).not.toMatch(/\d/);
  });

  it('is taken as typed when Enter sends the form, the picker never opened', async () => {
    await typed('2027-02-03', enter());
    expect(due().value).toBe('2027-02-03');
    await typed('2027-2-4', enter());
    expect(due().value).toBe('2027-02-04');
  });

  it('is taken as typed when the field is left', async () => {
    await typed('2028-02-29', new FocusEvent('focusout', { bubbles: true }));
    expect(due().value).toBe('2028-02-29');
  });

  const calendars = () => document.querySelectorAll('.ant-picker-dropdown').length;
  const opened = async () => {
    field().focus();
    field().click();
    await bench.settle();
    expect(calendars()).toBe(1);
  };

  it('has its calendar closed by Enter, which sends the form', async () => {
    await opened();
    await typed('2027-02-03', enter());
    await typed('2027-02-03', new KeyboardEvent('keyup', { key: 'Enter', bubbles: true }));
    expect(calendars()).toBe(0);
    expect(due().value).toBe('2027-02-03');
  });

  it('has its calendar closed by whoever goes on to the next field', async () => {
    const next = document.createElement('input');
    bench.element.querySelector('form')?.append(next);
    await opened();
    next.focus();
    await bench.settle();
    expect(calendars()).toBe(0);
  });

  it('is no day that the calendar has not', async () => {
    due().setValue('2027-01-31');
    await bench.settle();
    for (const text of ['2027-02-29', '2027-13-01', 'soon']) {
      await typed(text, enter());
      expect(due().value).withContext(text).toBe('2027-01-31');
    }
  });

  it('shows the day the form holds, whatever the zone', async () => {
    due().setValue('2027-01-31');
    await bench.settle();
    expect(field().value).toBe('2027-01-31');
  });
});
