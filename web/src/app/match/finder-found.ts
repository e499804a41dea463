import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { FinderLine } from '../../workers/finder.messages';
import { Mark } from '../parts/mark';
import { FinderStore } from './finder.store';

const VERDICTS = { fits: 'pass', edge: 'hold', no: 'fail' } as const;

/** What can be made, best first with its tool; and what comes near, with what stops each. */
@Component({
  selector: 'tm-finder-found',
  imports: [RouterLink, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { 'aria-live': 'polite' },
  template: `
    @if (store.answer(); as a) {
      @if (a.makes.length) {
        <h2>Can be made</h2>
        <ul class="lines">
          @for (line of a.makes; track line.part) {
            <li>
              <tm-mark [state]="verdicts[line.verdict]" [size]="20" />
              <div>
                <p>
                  <a [routerLink]="['/shop/cabinet', 'terminal', line.part]"
                    ><strong class="figures">{{ line.part }}</strong></a
                  >
                  {{ line.label }} <span class="soft">{{ line.family }}, takes {{ line.range }}</span>
                </p>
                <p>
                  {{ line.tool }}
                  <span class="soft"
                    >{{ line.toolState === 'ready' ? 'ready' : 'go/no-go check due'
                    }}{{ line.change ? '; first ' + line.change : ''
                    }}{{ line.folded ? '; wire folded back' : '' }}</span
                  >
                </p>
                @if (line.verdict === 'edge') {
                  <p>{{ mind(line) }}</p>
                }
              </div>
            </li>
          }
        </ul>
      } @else {
        <h2>
          Nothing in the cabinet can be made up with {{ store.wires().length > 1 ? 'these wires' : 'this wire' }} so
        </h2>
      }
      @if (a.near.length) {
        <h2>Near, and what stops each</h2>
        <ul class="lines">
          @for (line of a.near.slice(0, 20); track line.part) {
            <li>
              <tm-mark state="fail" [size]="20" />
              <div>
                <p>
                  <a [routerLink]="['/shop/cabinet', 'terminal', line.part]"
                    ><strong class="figures">{{ line.part }}</strong></a
                  >
                  {{ line.label }} <span class="soft">{{ line.family }}</span>
                </p>
                <p>{{ line.stops }}</p>
              </div>
            </li>
          }
        </ul>
      }
    } @else if (store.wires().length) {
      <p class="soft" role="status">Searching ...</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .lines li {
      border-bottom: 1px solid var(--line);
      display: grid;
      gap: 10px;
      grid-template-columns: 20px 1fr;
      padding: 8px 0;
    }
  `,
})
export class FinderFound {
  protected readonly store = inject(FinderStore);
  protected readonly verdicts = VERDICTS;

  protected mind(line: FinderLine): string {
    return line.reasons.find((r) => r.weight === 'hold')?.text ?? '';
  }
}
