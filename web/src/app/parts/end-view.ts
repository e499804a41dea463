import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { envelopeDiameter, type NestProfile, type Orientation, type Terminal, type Wire } from '@tug-mark/core';
import { packStrands } from './set-up-drawing.geometry';

/** Half the width of the drawing in its own units; the barrel's outer diameter fills about half of it. */
const HALF = 120;
/** More strands than this run together: fewer, thicker ones stand for them. */
const MOST_STRANDS = 91;

const DIES: Record<NestProfile, { upper: string; lower: string }> = {
  'indent-and-cradle': { upper: 'indent', lower: 'cradle' },
  'symmetric-oval': { upper: 'oval half', lower: 'oval half' },
  'two-bite': { upper: 'narrow half', lower: 'wide half' },
  rolled: { upper: 'rolling half', lower: 'anvil' },
  'window-indent': { upper: 'indent', lower: 'cradle' },
};

/** Looking along the wire into the open nest, before the bite: which way round the terminal lies. */
@Component({
  selector: 'tm-end-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure>
      <figcaption class="soft">End on, before the bite</figcaption>
      <svg viewBox="-130 -140 290 280" role="img" [attr.aria-label]="said()">
        @switch (profile()) {
          @case ('rolled') {
            <path
              class="die"
              d="M-95 -136H95V-84C70 -84 52 -66 48 -50H34C30 -72 12 -78 0 -62C-12 -78 -30 -72 -34 -50H-48C-52 -66 -70 -84 -95 -84Z"
            />
            <path class="die" d="M-95 136H95V57H-95Z" />
          }
          @case ('symmetric-oval') {
            <path class="die" d="M-95 -136H95V-64H62C50 -96 -50 -96 -62 -64H-95Z" />
            <path class="die" d="M-95 136H95V34H64C52 66 -52 66 -64 34H-95Z" />
          }
          @case ('two-bite') {
            <path class="die" d="M-95 -136H95V-64H44C34 -92 -34 -92 -44 -64H-95Z" />
            <path class="die" d="M-95 136H95V30H76C62 68 -62 68 -76 30H-95Z" />
          }
          @default {
            <path class="die" d="M-95 -136H95V-92H22L0 -66L-22 -92H-95Z" />
            <path class="die" d="M-95 136H95V2H57A57 57 0 0 1 -57 2H-95Z" />
          }
        }
        <text class="die-name" x="0" y="-112" text-anchor="middle">{{ dies().upper }}</text>
        <text class="die-name" x="0" y="112" text-anchor="middle">{{ dies().lower }}</text>
        @if (isOpen()) {
          <path class="tin" [attr.d]="openBarrel()" />
        } @else {
          <circle class="ring" [attr.r]="(outer() + inner()) / 2" [attr.stroke-width]="outer() - inner()" />
          <circle class="ring-edge" [attr.r]="outer()" />
          <circle class="ring-edge" [attr.r]="inner()" />
        }
        @for (strand of strands().at; track $index) {
          <circle class="strand" [attr.cx]="strand.x" [attr.cy]="strand.y + drop()" [attr.r]="strands().r * 0.97" />
        }
        @if (seam(); as angle) {
          @let s = at(angle, (outer() + inner()) / 2);
          <path
            class="slit"
            [attr.d]="
              'M' +
              at(angle, inner() - 1).x +
              ' ' +
              at(angle, inner() - 1).y +
              'L' +
              at(angle, outer() + 1).x +
              ' ' +
              at(angle, outer() + 1).y
            "
          />
          <path class="pointer" [attr.d]="'M' + s.x + ' ' + s.y + 'L104 ' + (s.y - 6)" />
          <text x="106" [attr.y]="s.y - 2">seam</text>
        }
        @if (isWindow()) {
          <rect class="hole" x="-9" [attr.y]="-outer() - 1" width="18" [attr.height]="outer() - inner() + 2" />
          <path class="pointer" [attr.d]="'M8 ' + (-outer() + 4) + 'L104 ' + (-outer() - 2)" />
          <text x="106" [attr.y]="-outer() + 2">window</text>
        }
        @if (isOpen()) {
          <path class="pointer" [attr.d]="'M' + outer() * 1.02 + ' ' + -outer() * 0.5 + 'L104 ' + -outer() * 0.5" />
          <text x="106" [attr.y]="-outer() * 0.5 + 5">wings</text>
        }
      </svg>
    </figure>
  `,
  styleUrl: './drawing.less',
  styles: `
    .ring {
      fill: none;
      stroke: var(--tin);
    }
    .ring-edge {
      fill: none;
      stroke: var(--tin-edge);
    }
    .strand {
      fill: var(--copper);
      stroke: var(--copper-light);
      stroke-width: 0.6;
    }
    .slit {
      stroke: var(--ink);
      stroke-width: 4;
    }
  `,
})
export class EndView {
  readonly terminal = input.required<Terminal>();
  readonly wire = input.required<Wire>();
  readonly profile = input.required<NestProfile>();
  readonly orientation = input.required<Orientation>();

  private readonly k = computed(() => (HALF * 0.92) / this.terminal().barrel.outerDiameter);
  protected readonly outer = computed(() => (this.terminal().barrel.outerDiameter / 2) * this.k());
  protected readonly inner = computed(() => (this.terminal().barrel.innerDiameter / 2) * this.k());
  protected readonly dies = computed(() => DIES[this.profile()]);
  protected readonly isOpen = computed(() => this.terminal().barrel.seam === 'open');
  protected readonly isWindow = computed(() => this.terminal().family === 'window-splice');
  protected readonly strands = computed(() => {
    const { conductor } = this.wire();
    return packStrands(Math.min(conductor.strands, MOST_STRANDS), (envelopeDiameter(conductor) / 2) * this.k());
  });
  /** Strands lie on the barrel's floor. */
  protected readonly drop = computed(() => {
    const radius = (envelopeDiameter(this.wire().conductor) / 2) * this.k();
    return Math.max(0, this.inner() - radius) * 0.9;
  });
  protected readonly seam = computed(() => {
    const { seam } = this.terminal().barrel;
    return seam === 'butted' || seam === 'brazed' ? this.orientation().angle : null;
  });
  protected readonly openBarrel = computed(() => {
    const o = this.outer();
    const i = this.inner();
    const t = o - i;
    return `M${-o * 1.05} ${-o * 1.1}L${-o * 1.05 + t} ${-o * 1.12}L${-i} 0A${i} ${i} 0 0 0 ${i} 0L${o * 1.05 - t} ${-o * 1.12}L${o * 1.05} ${-o * 1.1}L${o} 0A${o} ${o} 0 0 1 ${-o} 0Z`;
  });
  protected readonly said = computed(() => `End-on view: ${this.orientation().headline}`);

  /** Degrees from the moving die (up), counter-clockwise, to a point. */
  protected at(angle: number, radius: number): { x: number; y: number } {
    const turn = (angle * Math.PI) / 180;
    return { x: -radius * Math.sin(turn), y: -radius * Math.cos(turn) };
  }
}
