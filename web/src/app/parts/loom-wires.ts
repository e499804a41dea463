import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { LoomWire } from '@tug-mark/contract';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Mark } from './mark';

/** Wires with both their ends: which is made first, what goes on when, and what bores say. */
@Component({
  selector: 'tm-loom-wires',
  imports: [Mark, NzTableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nz-table #table [nzData]="wires()" [nzShowPagination]="false" [nzFrontPagination]="false" nzSize="small">
      <thead>
        <tr>
          <th scope="col">Wires</th>
          <th scope="col">End A</th>
          <th scope="col">End B</th>
          <th scope="col">In this order</th>
        </tr>
      </thead>
      <tbody>
        @for (row of table.data; track $index) {
          <tr>
            <td>
              <strong>{{ row.wires }} ×</strong> {{ row.wire }}
              <span class="under soft">{{ named(row) }}</span>
            </td>
            @for (end of [row.a, row.b]; track $index) {
              <td>
                {{ end.terminal || 'no terminal' }}
                <span class="under soft">{{ end.label }}{{ end.joined ? ', meets other wires' : '' }}</span>
              </td>
            }
            <td>
              <ol>
                @for (step of row.steps; track $index) {
                  <li [class.look]="step.does === 'still-on'">{{ words[step.does] }} {{ step.text }}</li>
                }
              </ol>
              <p class="soft">{{ row.why }}</p>
              @for (reason of row.reasons; track $index) {
                <p [class.soft]="!reason.bad">
                  @if (reason.bad) {
                    <tm-mark state="fail" [size]="16" />
                  }
                  {{ reason.text }}
                </p>
              }
            </td>
          </tr>
        }
      </tbody>
    </nz-table>
  `,
  styles: `
    :host {
      display: block;
    }
    .under {
      display: block;
    }
    td {
      vertical-align: top;
    }
    ol {
      list-style: decimal inside;
    }
    .look {
      font-weight: 600;
    }
    /* Four columns have no room on a phone: each wire is read from top to bottom there. */
    @media (max-width: 700px) {
      thead {
        display: none;
      }
      tbody,
      tr,
      td {
        display: block;
      }
    }
  `,
})
export class LoomWires {
  readonly wires = input.required<readonly LoomWire[]>();
  protected readonly words: Readonly<Record<LoomWire['steps'][number]['does'], string>> = {
    'slide-on': 'Slide on',
    'still-on': 'Then',
    crimp: 'Make',
  };

  protected named({ ids, more, wireLabel }: LoomWire): string {
    return `${wireLabel}: ${ids.join(', ')}${more ? ' ...' : ''}`;
  }
}
