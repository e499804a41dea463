import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { StudyResults } from '@tug-mark/contract';
import { pointOf, type Kappa, type PointCode } from '@tug-mark/core';
import { NzTableModule } from 'ng-zorro-antd/table';

/** What a closed study showed: each inspector against the key, all together, and the points behind the differences. */
@Component({
  selector: 'tm-study-results',
  imports: [NzTableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let r = results();
    <h2>Each inspector against the key, over both rounds</h2>
    <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
      <thead>
        <tr>
          <th scope="col">Who</th>
          <th scope="col">Misses</th>
          <th scope="col">False alarms</th>
          <th scope="col">Bad, but elsewhere</th>
          <th scope="col">Kappa with the key</th>
          <th scope="col">Kappa with themselves</th>
        </tr>
      </thead>
      <tbody class="figures">
        @for (i of r.inspectors; track i.person) {
          <tr>
            <th scope="row">{{ i.person }}</th>
            <td [class.bad]="i.misses > 0">{{ i.misses }} of {{ i.bad }} bad</td>
            <td>{{ i.alarms }} of {{ i.good }} good</td>
            <td>{{ i.wrongPoint }}</td>
            <td>{{ show(i.key) }}</td>
            <td>{{ show(i.self) }}</td>
          </tr>
        }
      </tbody>
    </nz-table>
    <p>
      @if (r.together; as all) {
        All together over both rounds: kappa <strong class="figures">{{ show(all) }}</strong>. {{ word(all) }}
      } @else {
        Fewer than two people answered everything, so there is no kappa of all together.
      }
    </p>
    @if (r.pairs.length) {
      <p class="soft">
        @for (p of r.pairs; track $index) {
          {{ p.one }} with {{ p.other }}: {{ show(p.kappa) }}{{ $last ? '.' : '; ' }}
        }
      </p>
    }
    <h2>Points behind the differences</h2>
    <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
      <thead>
        <tr>
          <th scope="col">Point</th>
          <th scope="col">Missed</th>
          <th scope="col">False alarms</th>
        </tr>
      </thead>
      <tbody class="figures">
        @for (p of r.points; track $index) {
          <tr>
            <th scope="row">{{ titleOf(p.point) }}</th>
            <td>{{ p.shown ? p.misses + ' of ' + p.shown + ' times shown' : 'never bad in this study' }}</td>
            <td>{{ p.alarms }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="3">Everybody agreed with the key.</td>
          </tr>
        }
      </tbody>
    </nz-table>
  `,
  styles: `
    h2 {
      font-size: 17px;
      margin: 14px 0 6px;
    }
    td.bad {
      color: var(--fail);
      font-weight: 600;
    }
  `,
})
export class StudyResultsTable {
  readonly results = input.required<StudyResults['result']>();

  protected titleOf(point: PointCode | null): string {
    return point === null ? 'not named' : pointOf(point).title;
  }

  protected show({ kappa, from, to }: Kappa): string {
    if (kappa === null) return 'nothing to tell apart';
    const range = from === null || to === null ? '' : ` (${from.toFixed(2)} to ${to.toFixed(2)})`;
    return `${kappa.toFixed(2)}${range}`;
  }

  protected word({ kappa, from }: Kappa): string {
    if (kappa === null) return '';
    if (from !== null && from > 0.7) return 'They see the same.';
    return kappa > 0.7
      ? 'They mostly see the same; the interval says that a longer study would be surer.'
      : 'They do not see the same: look at the points below together, with the drawings.';
  }
}
