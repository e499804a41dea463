import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Suspect } from '@tug-mark/contract';
import { showTime } from '../parts/show-time';

/** What a failed check puts in doubt: every lot the tool made pieces of since its last good check. */
@Component({
  selector: 'tm-suspect-lots',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let s = suspect();
    <h3>
      Suspect: made with {{ s.tool }} {{ s.after ? 'after its good check of ' + time(s.after) : 'at any time' }}, up to
      {{ time(s.upTo) }}
    </h3>
    <ul>
      @for (lot of s.lots; track lot.id) {
        <li>
          <a [routerLink]="['/bench', lot.id]">{{ lot.terminal }} on {{ lot.wire }}</a>
          <span class="soft">{{ lot.list }}, {{ lot.pieces }} pieces, {{ lot.entries }} entries in that time</span>
        </li>
      } @empty {
        <li>No lot was made with it in that time.</li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
    }
    li a {
      line-height: 32px;
    }
    li {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
    }
  `,
})
export class SuspectLots {
  readonly suspect = input.required<Suspect>();
  protected readonly time = showTime;
}
