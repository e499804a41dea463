import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  signal,
} from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { ProblemNotice } from '../parts/problem-notice';
import { injectToday } from '../session/shop-day';
import { NewAccount } from './new-account';
import { PersonEditor } from './person-editor';
import { qualifiedWords } from './qualified-words';
import { PeopleStore } from './people.store';
import { SignIns } from './sign-ins';
import { Notice } from '../parts/notice';

/** The accounts of the shop: who may sign in, as what, and what each is qualified for. For engineers. */
@Component({
  selector: 'tm-people-page',
  imports: [Notice, NzButtonModule, NzTableModule, NewAccount, PersonEditor, ProblemNotice, SignIns],
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
            <th scope="col">Roles</th>
            <th scope="col">Qualified for</th>
            <th scope="col">Account</th>
          </tr>
        </thead>
        <tbody>
          @for (person of table.data; track person.id) {
            <tr class="ant-table-row">
              <td>
                <strong>{{ person.name }}</strong>
              </td>
              <td>{{ person.roles.join(', ') }}</td>
              <td>
                @let qualified = words(person, today);
                {{ qualified.text }}
                @if (qualified.lapsed) {
                  <span class="wrong">{{ qualified.lapsed }}</span>
                }
              </td>
              <td>
                {{ person.active ? 'in use' : 'shut' }}
                <button
                  nz-button
                  class="quiet"
                  type="button"
                  [attr.aria-label]="'Change roles and qualifications of ' + person.name"
                  [attr.aria-expanded]="edited() === person.id"
                  (click)="edit(person.id)"
                >
                  change
                </button>
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
      @if (inHand(); as person) {
        <tm-person-editor [person]="person" (kept)="kept(person.name)" (closed)="edited.set('')" />
      }
      <tm-new-account (added)="store.added($event)" />
      <tm-sign-ins />
    </div>
  `,
  styles: `
    .wrong {
      margin-left: 10px;
    }
    tm-person-editor {
      display: block;
      margin-top: 16px;
    }
  `,
})
export class PeoplePage {
  protected readonly store = inject(PeopleStore);
  protected readonly today = injectToday()();
  protected readonly words = qualifiedWords;
  /** Whose roles and qualifications are being changed; empty: nobody's. */
  protected readonly edited = signal('');
  protected readonly inHand = computed(() => this.store.entityMap()[this.edited()] ?? null);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);

  protected edit(id: string): void {
    this.edited.set(this.edited() === id ? '' : id);
    // Whoever goes by keys is where the form begins.
    const head = () => this.host.nativeElement.querySelector<HTMLElement>('tm-person-editor h2');
    afterNextRender(() => head()?.focus(), { injector: this.injector });
  }

  protected kept(name: string): void {
    this.edited.set('');
    void this.store.added(`Roles and qualifications of ${name} are kept.`);
  }
}
