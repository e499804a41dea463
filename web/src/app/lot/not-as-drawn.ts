import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { faultsOf, lookAt } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Field } from '../parts/field';
import { Select } from '../parts/select';
import { typedText } from '../parts/zod-form';
import { LotWork } from './lot-work';

/** The point at which a piece is not as drawn, with its fault or what is seen. */
@Component({
  selector: 'tm-not-as-drawn',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Field, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()">
      <tm-field for="differs" label="Which point?">
        <tm-select selectId="differs" [options]="points()" formControlName="point" />
      </tm-field>
      @if (faults().length > 1) {
        <tm-field for="differ-fault" label="Which fault?">
          <tm-select selectId="differ-fault" [options]="faults()" formControlName="fault" />
        </tm-field>
      }
      <tm-field for="differ-note" label="What do you see?">
        <input nz-input id="differ-note" maxlength="500" formControlName="note" autocomplete="off" />
      </tm-field>
      <button nz-button nzType="primary" class="bench-button" type="submit">Reject piece {{ work.piece() }}</button>
    </form>
  `,
  styleUrl: './panel.less',
})
export class NotAsDrawn {
  protected readonly work = inject(LotWork);
  private readonly hand = inject(Hand);
  protected readonly form = new FormGroup({
    point: typedText(),
    fault: typedText(),
    note: typedText(),
  });
  private readonly point = toSignal(this.form.controls.point.valueChanges, { initialValue: '' });
  protected readonly points = computed(() =>
    this.work.criteria().map(({ key, title }) => ({ value: key, label: title })),
  );
  protected readonly faults = computed(() => {
    const [setUp, point] = [this.hand.setUp(), this.chosen(this.point())];
    const look = setUp && point && lookAt(setUp, point.end);
    const own = look ? faultsOf(look).filter((f) => f.point === point.code) : [];
    return [{ value: '', label: 'none of these' }, ...own.map((f) => ({ value: f.code, label: f.title }))];
  });

  protected keep(): void {
    const { point, fault, note } = this.form.getRawValue();
    const chosen = this.chosen(point);
    if (!chosen) this.work.say('Say which point is not as drawn.');
    else if (!note.trim() && !fault) this.work.say('Say what you see.');
    else this.work.differs(chosen, fault || null, note.trim());
  }

  private chosen(key: string) {
    return this.work.criteria().find((c) => c.key === key);
  }
}
