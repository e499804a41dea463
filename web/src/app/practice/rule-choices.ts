import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { CHOICES, type Practice } from '@tug-mark/core';
import { startWith, switchMap } from 'rxjs';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Select } from '../parts/select';
import { RELEASES, type RulesForm } from './rules-form';

/** Choices as rows of one table, who releases limits among them. */
const ROWS = [
  ...CHOICES.map(({ key, title, why, schools }) => ({ key: key as string, title, why, schools })),
  {
    key: 'releases',
    title: 'Limits are released by',
    why: 'Two pairs of eyes find more; a shop of one person has only one.',
    schools: RELEASES,
  },
];

/** Every choice where practitioners disagree: what is chosen, what follows from it, and why others choose otherwise. */
@Component({
  selector: 'tm-rule-choices',
  imports: [ReactiveFormsModule, NzTableModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false" aria-label="Choices">
      <thead>
        <tr>
          <th scope="col">Choice</th>
          <th scope="col">This shop</th>
          <th scope="col">What follows</th>
          <th scope="col">Why practitioners disagree</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.key) {
          <tr>
            <th scope="row">
              <label [attr.for]="'c-' + row.key">{{ row.title }}</label>
            </th>
            <td>
              <tm-select [selectId]="'c-' + row.key" [options]="row.options" [formControl]="row.control" />
            </td>
            <td>{{ row.effect }}</td>
            <td class="soft">{{ row.why }}</td>
          </tr>
        }
      </tbody>
    </nz-table>
  `,
  styles: `
    th[scope='row'] {
      width: 16%;
    }
    td:nth-child(2) {
      width: 27%;
    }
    td:nth-child(3) {
      width: 26%;
    }
    tm-select {
      width: 100%;
    }
  `,
})
export class RuleChoices {
  readonly form = input.required<RulesForm>();
  /** The profile it is based on; null for one that stands on its own. */
  readonly base = input.required<Practice | null>();
  private readonly value = toSignal(
    toObservable(this.form).pipe(switchMap((form) => form.valueChanges.pipe(startWith(null)))),
  );

  protected readonly rows = computed(() => {
    this.value();
    const { choices, releases } = this.form().controls;
    const base = this.base();
    return ROWS.map(({ key, title, why, schools }) => {
      const control = (key === 'releases' ? releases : choices.controls[key]) as FormControl<string>;
      const inherited = base && (key === 'releases' ? releasesOf(base) : String(base[key as keyof Practice]));
      const school = schools.find(({ value }) => value === (control.value || inherited));
      const asBase = schools.find(({ value }) => value === inherited);
      return {
        ...{ key, title, why, control, effect: school?.effect ?? '' },
        options: [
          ...(base
            ? [{ value: '', label: `as in ${base.part}: ${asBase?.title ?? ''}` }]
            : control.value
              ? []
              : [{ value: '', label: 'not chosen yet' }]),
          ...schools.map(({ value, title: label }) => ({ value, label })),
        ],
      };
    });
  });
}

const releasesOf = ({ secondPersonReleases }: Practice) => (secondPersonReleases ? 'second' : 'anyone');
