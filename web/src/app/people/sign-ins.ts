import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import type { Problem, SignInLine } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';

/** Who signed in and who tried to, the latest first; asked for when somebody wants to see it. */
@Component({
  selector: 'tm-sign-ins',
  imports: [NzButtonModule, NzTableModule, Mark, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (lines(); as found) {
      <h2>Signed in, or tried to</h2>
      <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false" aria-label="Sign-ins">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">Came in</th>
          </tr>
        </thead>
        <tbody>
          @for (line of found; track $index) {
            <tr>
              <td class="figures">{{ time(line.at) }}</td>
              <td>{{ line.name }}</td>
              <td>
                <tm-mark [state]="line.succeeded ? 'pass' : 'fail'" />
                {{ line.succeeded ? 'yes' : 'no, wrong password' }}
              </td>
            </tr>
          } @empty {
            <tr>
              <td colspan="3">Nobody yet since this is written down.</td>
            </tr>
          }
        </tbody>
      </nz-table>
    } @else {
      <button nz-button type="button" (click)="ask()">Who signed in, and when</button>
    }
    @if (problem(); as found) {
      <tm-problem [problem]="found" />
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 20px;
      max-width: 640px;
    }
    h2 {
      font-size: 18px;
      margin-bottom: 6px;
    }
  `,
})
export class SignIns {
  private readonly api = inject(Api);
  protected readonly lines = signal<readonly SignInLine[] | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly time = showTime;

  protected async ask(): Promise<void> {
    try {
      this.lines.set(await this.api.signIns());
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
