import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type Problem, type StudyLine } from '@tug-mark/contract';
import { ROUNDS } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { NewStudy } from './new-study';

/** Studies of how well inspectors agree, with the key and with each other. */
@Component({
  selector: 'tm-studies-page',
  imports: [NzTableModule, RouterLink, NzButtonModule, NewStudy, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>Do our inspectors agree?</h1>
          <p class="soft">
            Everybody looks at the same pieces blind, twice, in another order each time. Drawn pieces have a key that is
            computed; a study of real pieces needs photographs with a known answer. Misses cost more than false alarms.
          </p>
        </div>
        @if (maySet() && !isNew()) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="isNew.set(true)">
            Begin a study
          </button>
        }
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (isNew()) {
        <tm-new-study (left)="isNew.set(false)" />
      }
      <div class="scroll" tabindex="0" role="region" aria-label="Studies">
        <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
          <thead>
            <tr>
              <th scope="col">Study</th>
              <th scope="col">Pieces</th>
              <th scope="col">Begun</th>
              <th scope="col">Who has answered</th>
              <th scope="col"></th>
            </tr>
          </thead>
          <tbody>
            @for (study of studies(); track study.id) {
              <tr>
                <th scope="row">
                  {{ study.name }} <span class="soft">{{ study.terminal }} on {{ study.wire }}</span>
                </th>
                <td class="figures">{{ study.items }}</td>
                <td>{{ time(study.at) }}, {{ study.by }}</td>
                <td>
                  @for (who of study.people; track who.person) {
                    <span class="who">{{ who.person }} {{ who.answers }} of {{ rounds * study.items }}</span>
                  } @empty {
                    <span class="soft">nobody yet</span>
                  }
                </td>
                <td class="acts">
                  @if (study.closedAt) {
                    <a nz-button class="bench-button" [routerLink]="['/shop/studies', study.id]">Results</a>
                  } @else {
                    <a nz-button class="bench-button" [routerLink]="['/shop/studies', study.id]">Look at the pieces</a>
                    @if (maySet()) {
                      <button nz-button class="bench-button" type="button" (click)="close(study)">
                        Close {{ study.name }}
                      </button>
                    }
                  }
                </td>
              </tr>
            } @empty {
              <tr>
                <td colspan="5" class="soft">
                  {{ loaded() ? 'No study yet. Quality or an engineer begins one.' : 'Loading ...' }}
                </td>
              </tr>
            }
          </tbody>
        </nz-table>
      </div>
    </div>
  `,
  styles: `
    tbody th span {
      display: block;
      font-weight: 400;
    }
    .who {
      display: block;
    }
    .acts {
      text-align: right;
    }
    .acts > * + * {
      margin-left: 8px;
    }
  `,
})
export class StudiesPage {
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly time = showTime;
  protected readonly rounds = ROUNDS;
  protected readonly studies = signal<readonly StudyLine[]>([]);
  protected readonly loaded = signal(false);
  protected readonly isNew = signal(false);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly maySet = computed(() => may(this.person()?.roles, 'set-study'));

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    try {
      this.studies.set(await this.api.studies());
      this.loaded.set(true);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async close(study: StudyLine): Promise<void> {
    try {
      await this.api.closeStudy(study.id);
      await this.load();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
