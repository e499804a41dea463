import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { readLength } from '@tug-mark/core';

/** A notch as it is typed so far. */
interface Typed {
  readonly label: string;
  readonly bore: string;
}

/** Units a notch takes along the strip, and those of one millimetre of bore. */
const STEP = 74;
const PER_MM = 11;
const MOST = 52;

/** The notches of a stripper as a strip of bores, to scale with each other: a touch leads to the notch's own fields. */
@Component({
  selector: 'tm-notch-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (notches().length) {
      <svg [attr.viewBox]="'0 0 ' + notches().length * step + ' 104'" role="group" aria-label="Notches">
        <path class="blade" [attr.d]="'M0 6H' + notches().length * step + 'V58H0Z'" />
        @for (notch of drawn(); track $index) {
          <g
            role="button"
            tabindex="0"
            [attr.aria-label]="notch.words"
            (click)="touched.emit($index)"
            (keydown.enter)="go($event, $index)"
            (keydown.space)="go($event, $index)"
          >
            <rect class="reach" [attr.x]="$index * step" y="0" [attr.width]="step" height="104" />
            <circle [class.missing]="notch.bore === null" [attr.cx]="notch.x" cy="32" [attr.r]="notch.r" />
            <text [attr.x]="notch.x" y="78">{{ notch.label }}</text>
            <text class="bore" [attr.x]="notch.x" y="98">{{ notch.bore ?? '...' }}</text>
          </g>
        }
      </svg>
      <p class="soft">Bores in mm, to scale with each other; the smallest that leaves every strand whole is named.</p>
    }
  `,
  styles: `
    svg {
      display: block;
      height: 112px;
      max-width: 100%;
    }
    .blade {
      fill: var(--steel);
    }
    circle {
      fill: var(--sheet);
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    circle.missing {
      stroke-dasharray: 4 4;
    }
    .reach {
      cursor: pointer;
      fill: transparent;
    }
    text {
      fill: var(--ink);
      font: 600 16px var(--figures);
      pointer-events: none;
      text-anchor: middle;
    }
    .bore {
      font-weight: 400;
    }
    g:focus {
      outline: none;
    }
    g:focus-visible circle,
    g:hover circle {
      stroke: var(--copper);
      stroke-width: 4;
    }
  `,
})
export class NotchStrip {
  readonly notches = input.required<readonly Typed[]>();
  readonly touched = output<number>();
  protected readonly step = STEP;
  protected readonly drawn = computed(() => {
    const bores = this.notches().map(({ bore }) => {
      const read = readLength(bore, 'mm');
      return read.outcome === 'length' ? read.millimetres : null;
    });
    // A strip for battery leads is drawn smaller, all of it.
    const k = Math.min(PER_MM, MOST / Math.max(1, ...bores.map((bore) => bore ?? 0)));
    return this.notches().map(({ label }, i) => {
      const bore = bores[i] ?? null;
      const name = label.trim() || `notch ${i + 1}`;
      return {
        ...{ label: name, bore, x: i * STEP + STEP / 2, r: bore === null ? 9 : Math.max(1.5, (bore * k) / 2) },
        words: `${name}, ${bore === null ? 'its bore is not typed yet' : `bore ${bore} mm`}: go to its fields`,
      };
    });
  });

  protected go(event: Event, at: number): void {
    event.preventDefault();
    this.touched.emit(at);
  }
}
