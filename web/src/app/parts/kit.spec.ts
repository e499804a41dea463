import { ChangeDetectionStrategy, Component, viewChild } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { z } from 'zod';
import { TermHelp } from '../glossary/term';
import { Bench } from '../testing/bench';
import { Field } from './field';
import { FileButton } from './file-button';
import { Tick } from './tick';
import { refuse, tellFaults, typedNumber, typedText } from './zod-form';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ReactiveFormsModule, Field, FileButton, TermHelp, Tick],
  template: `
    <form [formGroup]="form">
      <tm-tick formControlName="active">in use</tm-tick>
      <tm-tick [(value)]="loose">seen</tm-tick>
      <tm-field for="port" label="Port" hint="1 to 65535" [control]="form.controls.port">
        <input id="port" formControlName="port" />
      </tm-field>
    </form>
    <tm-file-button accept="image/*" [camera]="true" (file)="taken.push($event.name)">Camera</tm-file-button>
    <tm-term of="lower bound">bound</tm-term>
  `,
})
class Kit {
  readonly form = new FormGroup({
    active: new FormControl(true, { nonNullable: true }),
    port: typedText('', typedNumber(z.number().int('is no whole number').max(65_535, 'is above 65535'))),
  });
  loose = false;
  readonly taken: string[] = [];
  readonly file = viewChild.required(FileButton);
}

describe('The kit', () => {
  let bench: Bench<Kit>;
  beforeEach(async () => {
    bench = await Bench.open(Kit);
  });
  afterEach(() => {
    bench.close();
  });
  const kit = () => bench.fixture.componentInstance;
  const box = (words: string) => {
    const label = [...bench.element.querySelectorAll('label')].find((each) => each.textContent?.trim() === words);
    const found = label?.querySelector<HTMLInputElement>('input[type=checkbox]');
    if (!found) throw new Error(`nothing to tick at '${words}'`);
    return found;
  };

  describe('tick', () => {
    it('shows and keeps what its control says, and is one target with its words', async () => {
      expect(box('in use').checked).toBeTrue();
      box('in use').closest('label')?.click();
      await bench.settle();
      expect(kit().form.value.active).toBeFalse();
      kit().form.controls.active.setValue(true);
      await bench.settle();
      expect(box('in use').checked).toBeTrue();
      kit().form.controls.active.disable();
      await bench.settle();
      expect(box('in use').disabled).toBeTrue();
    });

    it('works without a form too', async () => {
      box('seen').closest('label')?.click();
      await bench.settle();
      expect(kit().loose).toBeTrue();
    });
  });

  describe('field', () => {
    const field = () => bench.element.querySelector('#port');

    it('tells its hint, and its fault once somebody was there, tied to what is typed', async () => {
      expect(field()?.getAttribute('aria-describedby')).toBe('port-hint');
      await bench.type('port', 'many');
      expect(field()?.getAttribute('aria-invalid')).toBe('false');
      kit().form.markAllAsTouched();
      await bench.settle();
      expect(bench.element.querySelector('#port-fault')?.textContent).toBe('is no number');
      expect(field()?.getAttribute('aria-describedby')).toBe('port-fault');
      expect(field()?.getAttribute('aria-invalid')).toBe('true');
      for (const [typed, told] of [
        ['', 'is empty'],
        ['1.5', 'is no whole number'],
        ['70000', 'is above 65535'],
      ] as const) {
        await bench.type('port', typed);
        expect(bench.element.querySelector('#port-fault')?.textContent).withContext(typed).toBe(told);
      }
      await bench.type('port', '4001');
      expect(bench.element.querySelector('#port-fault')).toBeNull();
    });

    it('tells a refusal of the server until something else is typed, and hands on what no field is about', async () => {
      await bench.type('port', '4001');
      const others = tellFaults(kit().form, [
        { where: 'port', text: 'is taken' },
        { where: 'shop', text: 'is closed' },
      ]);
      await bench.settle();
      expect(others).toEqual([{ where: 'shop', text: 'is closed' }]);
      expect(bench.element.querySelector('#port-fault')?.textContent).toBe('is taken');
      await bench.type('port', '4002');
      expect(bench.element.querySelector('#port-fault')).toBeNull();
      refuse(kit().form.controls.port, 'is of another shop');
      await bench.settle();
      expect(kit().form.invalid).toBeTrue();
    });
  });

  describe('file button', () => {
    it('asks for a file by a press or a key of the screen, with the camera of a tablet, and hands it on', async () => {
      const input = bench.element.querySelector<HTMLInputElement>('tm-file-button input');
      expect(input?.getAttribute('capture')).toBe('environment');
      expect(input?.accept).toBe('image/*');
      const asked = spyOn(input as HTMLInputElement, 'click');
      kit().file().open();
      expect(asked).toHaveBeenCalledTimes(1);
      const data = new DataTransfer();
      data.items.add(new File(['x'], 'piece.png', { type: 'image/png' }));
      if (input) input.files = data.files;
      input?.dispatchEvent(new Event('change'));
      await new Promise((later) => setTimeout(later, 30));
      expect(kit().taken).toEqual(['piece.png']);
    });
  });

  describe('term', () => {
    it('says what it means: with a press on screen, and always to whoever hears the screen', async () => {
      const button = bench.button('bound');
      const told = document.getElementById(button.getAttribute('aria-describedby') ?? '');
      expect(told?.textContent).toContain('nearly all pieces like them exceed');
      expect(button.getAttribute('aria-expanded')).toBe('false');
      button.click();
      await new Promise((later) => setTimeout(later, 300));
      await bench.settle();
      expect(button.getAttribute('aria-expanded')).toBe('true');
      expect(document.querySelector('.tm-term-said')?.textContent).toContain('nearly all pieces like them exceed');
      button.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
      await bench.settle();
      expect(button.getAttribute('aria-expanded')).toBe('false');
    });
  });
});
