import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import type { PlanDay } from '@tug-mark/contract';
import { qrPath } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';

/** Labels for the bundles of cut wires: what it is, how many, and a code that opens its combination at the bench. */
@Component({
  selector: 'tm-bundle-labels',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (labels().length) {
      <p class="not-printed">
        <button nz-button type="button" [attr.aria-expanded]="open()" (click)="open.set(!open())">
          Labels for the bundles ({{ labels().length }})
        </button>
      </p>
    }
    @if (open()) {
      <ul>
        @for (label of labels(); track label.job) {
          <li>
            <svg viewBox="0 0 108 108" role="img" [attr.aria-label]="'Code of ' + label.label">
              <path [attr.d]="label.code" />
            </svg>
            <span>
              <strong>{{ label.label }}</strong>
              <span>{{ label.wire }}</span>
              <span>{{ label.pieces }} pieces · {{ label.list }}</span>
            </span>
          </li>
        }
      </ul>
    }
  `,
  styles: `
    ul {
      display: grid;
      gap: 8px;
      grid-template-columns: repeat(auto-fill, minmax(min(250px, 100%), 1fr));
    }
    li {
      align-items: center;
      background: #fff;
      border: 1px solid var(--line-strong);
      break-inside: avoid;
      color: #000;
      display: flex;
      gap: 10px;
      padding: 8px;
    }
    li span {
      display: block;
      font-size: 13px;
      line-height: 1.3;
    }
    svg {
      flex: none;
      height: 68px;
      width: 68px;
    }
  `,
})
export class BundleLabels {
  readonly day = input.required<PlanDay | null>();
  protected readonly open = signal(false);
  protected readonly labels = computed(() =>
    (this.day()?.about ?? []).flatMap(({ job, does, combination, label, wireLabel, pieces, list }) =>
      does === 'crimp' && combination !== null
        ? [
            {
              job,
              label,
              wire: wireLabel,
              pieces,
              list,
              code: qrPath(`${location.origin}/bench/${combination}`, 8, 8, 92),
            },
          ]
        : [],
    ),
  );
}
