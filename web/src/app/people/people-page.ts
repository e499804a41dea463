import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { DayField } from '../parts/day-field';
import { ProblemNotice } from '../parts/problem-notice';
import { injectToday } from '../session/shop-day';
import { NewAccount } from './new-account';
import { PeopleStore } from './people.store';
import { SignIns } from './sign-ins';
import { Notice } from '../parts/notice';

/** The accounts of the shop: who may sign in, as what, and how long a qualification lasts. For engineers. */
@Component({
  selector: 'tm-people-page',
  imports: [Notice, FormsModule, NzButtonModule, NzTableModule, DayField, NewAccount, ProblemNotice, SignIns],
  providers: [PeopleStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head"><h1>People</h1></div>
      @if (store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (store.said()) {
        <tm-notice kind="good">{{ store.said() }}</tm-notice>
      }
      <nz-table
        #table
        [nzData]="store.entities()"
        nzSize="small"
        [nzFrontPagination]="false"
        [nzShowPagination]="false"
      >
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
                  (ngModelChange)="store.change(person.id, { qualifiedUntil: $event })"
                />
                @if (person.qualifiedUntil && person.qualifiedUntil < today) {
                  <span class="wrong">lapsed</span>
                }
              </td>
              <td>
                {{ person.active ? 'in use' : 'shut' }}
                <button
                  nz-button
                  class="quiet"
                  type="button"
                  (click)="store.change(person.id, { active: !person.active })"
                >
                  {{ person.active ? 'shut' : 'open again' }}
                </button>
                @if (person.active) {
                  <button
                    nz-button
                    class="quiet"
                    type="button"
                    [attr.aria-label]="'A word for once for ' + person.name"
                    (click)="store.giveWord(person.id)"
                  >
                    forgotten password
                  </button>
                }
              </td>
            </tr>
          }
        </tbody>
      </nz-table>
      <tm-new-account (added)="store.added($event)" />
      <tm-sign-ins />
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
  protected readonly store = inject(PeopleStore);
  protected readonly today = injectToday()();
}
