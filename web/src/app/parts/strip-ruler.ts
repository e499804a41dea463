import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { showRange, type StripWindow } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Screen } from './screen';

/** Long side of a bank card, mm (ISO/IEC 7810 ID-1). */
const CARD = 85.6;

/** A ruler in true size: the wire's cut insulation is laid at 0 and the conductor's end must fall in the band. */
@Component({
  selector: 'tm-strip-ruler',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="ruler">
      <svg [attr.width]="width()" height="54" role="img" [attr.aria-label]="said()">
        @if (strip().window; as window) {
          <rect
            class="band"
            [attr.x]="x(window.min)"
            y="0"
            [attr.width]="(window.max - window.min) * k()"
            height="30"
          />
        }
        @if (strip().guard; as guard) {
          <rect class="guard" [attr.x]="x(guard.min)" y="0" [attr.width]="(guard.max - guard.min) * k()" height="30" />
        }
        @for (mm of ticks(); track mm) {
          <path [attr.d]="'M' + x(mm) + ' 0v' + (mm % 5 === 0 ? 20 : 10)" />
          @if (mm % 5 === 0) {
            <text [attr.x]="x(mm)" y="48" text-anchor="middle">{{ mm }}</text>
          }
        }
        @if (strip().setPoint !== null) {
          <path class="set" [attr.d]="'M' + x(strip().setPoint ?? 0) + ' 0v32'" />
        }
      </svg>
      <p class="soft">
        @if (screen.isChecked()) {
          true size, mm
        } @else {
          <strong>not true size yet</strong>
        }
        <button
          nz-button
          class="quiet"
          type="button"
          (click)="checking.set(!checking())"
          [attr.aria-expanded]="checking()"
        >
          {{ screen.isChecked() ? 'check again' : 'check this screen' }}
        </button>
      </p>
      <p class="tell">
        {{ of() ? of() + ': lay' : 'Lay' }} the cut insulation at 0: the wire's end falls in the band, best on the line.
      </p>
    </div>
    @if (checking()) {
      <div class="check">
        <p>Lay the long side of a bank card (85.6 mm) on the bar and make the bar just as long.</p>
        <div class="card" [style.width.px]="draft() * card"></div>
        <button nz-button type="button" (click)="turn(-0.01)" aria-label="Shorter">shorter</button>
        <button nz-button type="button" (click)="turn(0.01)" aria-label="Longer">longer</button>
        <button nz-button type="button" (click)="turn(-0.1)">much shorter</button>
        <button nz-button type="button" (click)="turn(0.1)">much longer</button>
        <button nz-button nzType="primary" type="button" (click)="keep()">It is as long as the card</button>
      </div>
    }
  `,
  styles: `
    .ruler {
      align-items: start;
      background: var(--ruler);
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      overflow: hidden;
    }
    .ruler p {
      padding: 4px 10px;
      text-align: right;
      white-space: nowrap;
    }
    .ruler .tell {
      flex-basis: 100%;
      padding-top: 0;
      text-align: left;
      white-space: normal;
    }
    svg {
      flex: none;
    }
    path {
      stroke: var(--ink);
      stroke-width: 1.2;
    }
    text {
      fill: var(--ink);
      font: 14px var(--figures);
    }
    .band {
      fill: var(--pass);
      opacity: 0.28;
    }
    .guard {
      fill: var(--pass);
      opacity: 0.35;
    }
    .set {
      stroke: var(--pass);
      stroke-width: 3;
    }
    .check {
      align-items: center;
      border: 1px solid var(--line);
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      padding: 12px;
    }
    .check p,
    .card {
      flex-basis: 100%;
    }
    .card {
      background: var(--petrol);
      flex: none;
      height: 34px;
    }
  `,
})
export class StripRuler {
  protected readonly screen = inject(Screen);
  readonly strip = input.required<StripWindow>();
  /** The end of a splice it is for; empty for parts with one. */
  readonly of = input('');
  protected readonly checking = signal(false);
  protected readonly draft = signal(this.screen.pxPerMm());
  protected readonly card = CARD;
  protected readonly k = this.screen.pxPerMm;
  private readonly longest = computed(() => Math.max(30, Math.ceil(((this.strip().window?.max ?? 20) + 8) / 5) * 5));
  protected readonly ticks = computed(() => Array.from({ length: this.longest() + 1 }, (_, mm) => mm));
  protected readonly width = computed(() => this.x(this.longest()) + 16);
  protected readonly said = computed(() => {
    const { window, setPoint } = this.strip();
    return window
      ? `Strip ruler: band from ${showRange(window, 1, ' to ')} mm, set point ${setPoint ?? 'none'} mm.`
      : 'Strip ruler: no band.';
  });

  protected x(mm: number): number {
    return 14 + mm * this.k();
  }
  protected turn(by: number): void {
    this.draft.update((value) => Math.min(20, Math.max(1.5, value + by)));
  }
  protected keep(): void {
    this.screen.keep(this.draft());
    this.checking.set(false);
  }
}
