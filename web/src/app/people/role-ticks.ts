import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, type AbstractControl } from '@angular/forms';
import { ROLES, type Role } from '@tug-mark/contract';
import { Tick } from '../parts/tick';

export type RolesForm = FormGroup<Record<Role, FormControl<boolean>>>;

/** What each role does, as it stands beside its tick. */
const WORDS: Readonly<Record<Role, string>> = {
  technician: 'makes pieces, looks, pulls, records',
  quality: 'rules, releases limits and set-ups',
  engineer: 'keeps cabinet, people and this shop',
};

/** Roles as ticks; one at least. */
export function rolesForm(held: readonly Role[]): RolesForm {
  const tick = (role: Role) => new FormControl(held.includes(role), { nonNullable: true });
  const ticks = { technician: tick('technician'), quality: tick('quality'), engineer: tick('engineer') };
  return new FormGroup(ticks, ({ value }: AbstractControl<Partial<Record<Role, boolean>>>) =>
    Object.values(value).some(Boolean) ? null : { zod: 'An account has at least one role.' },
  );
}

/** The roles that are ticked; those that were held before keep their order, so that the first stays the first. */
export function rolesOf(form: RolesForm, held: readonly Role[] = []): Role[] {
  const ticked = form.getRawValue();
  return [...new Set([...held, ...ROLES])].filter((role) => ticked[role]);
}

/** The roles of a person: one or several, each with what it does. */
@Component({
  selector: 'tm-role-ticks',
  imports: [ReactiveFormsModule, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset [formGroup]="form()">
      <legend>Roles</legend>
      @for (role of roles; track role) {
        <tm-tick [formControlName]="role"
          ><strong>{{ role }}</strong
          >: {{ words[role] }}</tm-tick
        >
      }
      @if (form().touched && form().errors?.['zod']; as fault) {
        <p class="wrong" role="alert">{{ fault }}</p>
      }
    </fieldset>
  `,
  styles: `
    fieldset {
      border: 0;
      display: grid;
      margin: 0;
      min-width: 0;
      padding: 0;
    }
    legend {
      font-weight: 600;
      padding: 0;
    }
  `,
})
export class RoleTicks {
  readonly form = input.required<RolesForm>();
  protected readonly roles = ROLES;
  protected readonly words = WORDS;
}
