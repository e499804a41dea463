import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Person, Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { DayField } from '../parts/day-field';
import { ProblemNotice } from '../parts/problem-notice';
import { injectToday } from '../session/shop-day';
import { NewAccount } from './new-account';

/** The accounts of the shop: who may sign in, as what, and how long a qualification lasts. For engineers. */
@Component({
  selector: 'tm-people-page',
  imports: [FormsModule, NzButtonModule, NzTableModule, DayField, NewAccount, ProblemNotice],
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
                <label class="out-of-sight" [for]="'until-' + person.id">Qualified until, {{ person.name }}</label>
                <tm-day-field
                  [fieldId]="'until-' + person.id"
                  [ngModel]="person.qualifiedUntil"
                  (ngModelChange)="change(person, { qualifiedUntil: $event })"
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
      <tm-new-account (added)="added($event)" />
    </div>
  `,
  styles: `
    tm-day-field {
      display: inline-block;
      width: 170px;
    }
    .wrong {
      margin-left: 10px;
    }
  `,
})
export class PeoplePage {
  private readonly api = inject(Api);
  protected readonly people = signal<readonly Person[]>([]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly said = signal('');
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

  protected async added(said: string): Promise<void> {
    this.said.set(said);
    await this.attempt(() => this.load());
  }
}
