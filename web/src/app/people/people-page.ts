import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { ROLES, type Person, type Problem, type Role } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { ProblemNotice } from '../parts/problem-notice';
import { valueOf } from '../parts/value-of';
import { injectToday } from '../session/shop-day';

/** The accounts of the shop: who may sign in, as what, and how long a qualification lasts. For engineers. */
@Component({
  selector: 'tm-people-page',
  imports: [NzButtonModule, NzInputModule, NzTableModule, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head"><h1>People</h1></div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (said()) {
        <p class="notice good" role="status">{{ said() }}</p>
      }
      <nz-table #table [nzData]="people()" nzSize="small" [nzFrontPagination]="false" [nzShowPagination]="false">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Role</th>
            <th scope="col">Qualified until</th>
            <th scope="col">Account</th>
          </tr>
        </thead>
        <tbody>
          @for (person of table.data; track person.id) {
            <tr class="ant-table-row">
              <td>
                <strong>{{ person.name }}</strong>
              </td>
              <td>{{ person.role }}</td>
              <td>
                <input
                  nz-input
                  type="date"
                  [attr.aria-label]="'Qualified until, ' + person.name"
                  [value]="person.qualifiedUntil ?? ''"
                  (change)="change(person, { qualifiedUntil: value($event) || null })"
                />
                @if (person.qualifiedUntil && person.qualifiedUntil < today) {
                  <span class="wrong">lapsed</span>
                }
              </td>
              <td>
                {{ person.active ? 'in use' : 'shut' }}
                <button nz-button class="quiet" type="button" (click)="change(person, { active: !person.active })">
                  {{ person.active ? 'shut' : 'open again' }}
                </button>
              </td>
            </tr>
          }
        </tbody>
      </nz-table>
      <h2>A new account</h2>
      <form (submit)="add($event, name.value, role.value, password.value, until.value)">
        <div class="field">
          <label for="new-name">Name</label><input nz-input id="new-name" #name maxlength="60" required />
        </div>
        <div class="field">
          <label for="new-role">Role</label>
          <select id="new-role" #role>
            @for (r of roles; track r) {
              <option [value]="r">{{ r }}</option>
            }
          </select>
        </div>
        <div class="field">
          <label for="new-password">First password, 10 characters or more</label>
          <input
            nz-input
            id="new-password"
            #password
            type="password"
            autocomplete="new-password"
            minlength="10"
            required
          />
        </div>
        <div class="field">
          <label for="new-until">Qualified until</label><input nz-input id="new-until" #until type="date" />
        </div>
        <button nz-button nzType="primary" class="bench-button" type="submit">Add the account</button>
      </form>
    </div>
  `,
  styles: `
    h2 {
      margin: 24px 0 10px;
    }
    form {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 14px;
    }
    input[type='date'] {
      width: 170px;
    }
    .wrong {
      margin-left: 10px;
    }
    form input,
    select {
      min-height: 46px;
    }
  `,
})
export class PeoplePage {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  protected readonly people = signal<readonly Person[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly said = signal('');
  protected readonly roles = ROLES;
  protected readonly today = injectToday()();

  constructor() {
    void this.attempt(() => this.load());
  }

  private async load(): Promise<void> {
    this.people.set(await this.api.people());
  }

  private async attempt(work: () => Promise<void>): Promise<boolean> {
    try {
      await work();
      this.problem.set(null);
      return true;
    } catch (error) {
      this.problem.set(toProblem(error));
      return false;
    }
  }

  protected async change(person: Person, change: Partial<Person>): Promise<void> {
    await this.attempt(async () => {
      await this.api.changePerson({ ...person, ...change });
      await this.load();
    });
  }

  protected async add(event: Event, name: string, role: string, password: string, until: string): Promise<void> {
    event.preventDefault();
    const form = event.target as HTMLFormElement;
    this.said.set('');
    const added = await this.attempt(async () => {
      await this.api.addPerson({
        id: timeOrderedId(),
        name,
        role: role as Role,
        password,
        qualifiedUntil: until || null,
      });
      await this.load();
    });
    if (added) {
      this.said.set(`${name} can sign in as ${role}.`);
      form.reset();
    }
  }
}
