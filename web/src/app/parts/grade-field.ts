import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { Store } from '@ngrx/store';
import { NzInputModule } from 'ng-zorro-antd/input';
import { startWith, switchMap } from 'rxjs';
import { sessionFeature } from '../session/session.state';
import { Select } from './select';

/** A grade of work: chosen from those the shop names, or typed where it names none. */
@Component({
  selector: 'tm-grade-field',
  imports: [ReactiveFormsModule, NzInputModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (options().length) {
      <tm-select [selectId]="fieldId()" [options]="options()" [formControl]="control()" />
    } @else {
      <input nz-input autocomplete="off" [id]="fieldId()" [formControl]="control()" />
    }
  `,
  styles: `
    tm-select {
      width: 100%;
    }
    .ant-input {
      min-height: 46px;
    }
  `,
})
export class GradeField {
  readonly fieldId = input.required<string>();
  readonly control = input.required<FormControl<string>>();
  /** How no grade at all reads; left out where one is needed. */
  readonly none = input('');
  private readonly shop = inject(Store).selectSignal(sessionFeature.selectShop);
  private readonly value = toSignal(
    toObservable(this.control).pipe(switchMap((control) => control.valueChanges.pipe(startWith(control.value)))),
  );
  protected readonly options = computed(() => {
    const grades = this.shop()?.settings.grades ?? [];
    if (!grades.length) return [];
    const stands = this.value() ?? '';
    // One the shop does not name any more, or never did, stays what it is until another is chosen.
    const all = [...new Set([...grades, stands])].filter((grade) => grade !== '');
    const options = all.map((grade) => ({ value: grade, label: grade }));
    if (this.none()) return [{ value: '', label: this.none() }, ...options];
    return stands === '' ? [{ value: '', label: 'not chosen yet' }, ...options] : options;
  });
}
