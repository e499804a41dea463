import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Pick } from './cut-words';

/** Parts to draw: for what, how many are there, and what that means. */
@Component({
  selector: 'tm-pick-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Part</th>
            @for (column of columns; track column) {
              <th scope="col" class="right">{{ column }}</th>
            }
            <th scope="col">What that means</th>
          </tr>
        </thead>
        <tbody>
          @for (need of picks(); track need.kind + need.part) {
            <tr>
              <th scope="row">{{ need.part }}</th>
              @for (number of numbers(need); track $index) {
                <td class="right figures">{{ number }}</td>
              }
              <td [class.wrong]="need.short > 0">{{ need.meaning }}</td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styleUrl: './sheets.less',
})
export class PickTable {
  readonly picks = input.required<readonly Pick[]>();
  protected readonly columns = ['Pieces', 'Samples', 'Pulled', 'Again', 'In all', 'There'] as const;

  protected numbers({ pieces, samples, checks, rework, total, have }: Pick): (number | string)[] {
    return [pieces, samples, checks, rework, total, have ?? '–'];
  }
}
