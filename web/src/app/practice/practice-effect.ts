import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { setUpContext, type CombinationView } from '@tug-mark/contract';
import { compareSetUps, computeSetUp, type Practice } from '@tug-mark/core';
import { NzTableModule } from 'ng-zorro-antd/table';

/** What another profile or school changes for a combination, number by number. */
@Component({
  selector: 'tm-practice-effect',
  imports: [NzTableModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (view(); as v) {
      <h2>
        What it changes for
        <a [routerLink]="['/bench', v.combination.id]">{{ v.terminal.part }} on {{ v.wire.part }}</a>
      </h2>
      @if (other()) {
        <div class="scroll" tabindex="0" role="region" aria-label="What differs">
          <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
            <thead>
              <tr>
                <th scope="col"></th>
                <th scope="col">{{ practice().label }}</th>
                <th scope="col">{{ other()!.label }}</th>
              </tr>
            </thead>
            <tbody>
              @for (line of compared(); track line.about) {
                <tr [class.changed]="line.differs">
                  <th scope="row">{{ line.about }}</th>
                  <td>{{ line.a }}</td>
                  <td>{{ line.differs ? line.b : 'the same' }}</td>
                </tr>
              }
            </tbody>
          </nz-table>
        </div>
      } @else {
        <p class="soft">Choose a profile or a school to put beside it.</p>
      }
    }
  `,
  styleUrls: ['../parts/compare.less', './practice-table.less'],
})
export class PracticeEffect {
  readonly view = input.required<CombinationView>();
  readonly practice = input.required<Practice>();
  readonly other = input<Practice | null>(null);

  protected readonly compared = computed(() => {
    const view = this.view();
    const other = this.other();
    if (!other) return [];
    const context = setUpContext(view);
    const now = new Date().toISOString();
    const of = (practice: Practice) => computeSetUp({ ...context, practice }, [], now);
    return compareSetUps(of(this.practice()), of(other));
  });
}
