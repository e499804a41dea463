import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { CHANGES, changeName, type LotChange } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Field } from '../parts/field';
import { Select } from '../parts/select';
import { typedText } from '../parts/zod-form';
import { LotWork } from './lot-work';

/** What was changed while the lot is made; after a failure, what was put right. */
@Component({
  selector: 'tm-lot-change',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Field, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()">
      <tm-field for="change-what" [label]="'At piece ' + (work.head()?.made ?? 0)">
        <tm-select selectId="change-what" [options]="changes" formControlName="change" />
      </tm-field>
      <tm-field for="change-to" label="To" hint="number of the reel, name of the person">
        <input nz-input id="change-to" maxlength="60" formControlName="to" autocomplete="off" />
      </tm-field>
      <tm-field
        for="change-note"
        [label]="form.value.change === 'repair' ? 'What was wrong, what was done about it?' : 'Note'"
      >
        <input nz-input id="change-note" maxlength="500" formControlName="note" autocomplete="off" />
      </tm-field>
      <button nz-button nzType="primary" class="bench-button" type="submit">Keep the change</button>
    </form>
  `,
  styleUrl: './panel.less',
})
export class LotChangeForm {
  protected readonly work = inject(LotWork);
  protected readonly changes = CHANGES.map((value) => ({ value, label: changeName(value) }));
  protected readonly form = new FormGroup({
    change: new FormControl<LotChange>('wire-reel', { nonNullable: true }),
    to: typedText(),
    note: typedText(),
  });

  constructor() {
    // After a failure what is told is, as a rule, what was done about it.
    effect(() => {
      if (this.work.task()?.alarm && this.form.pristine) this.form.patchValue({ change: 'repair' });
    });
  }

  protected keep(): void {
    const { change, to, note } = this.form.getRawValue();
    this.work.change(change, to.trim(), note.trim());
  }
}
