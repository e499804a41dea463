import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { SECTION_LABELS, toldStrands, type SectionLabel } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import type { SectionAnswer } from '../../../workers/section.messages';
import { arrowStep } from '../../parts/arrow-step';
import { Select } from '../../parts/select';
import { PhotoInHand } from '../photo-in-hand';
import { SectionWork } from './section-work';

/** Colour of each label over the picture; the share of it that covers. */
const TINTS: Readonly<Record<SectionLabel, readonly [number, number, number, number]>> = {
  outside: [0, 0, 0, 0],
  barrel: [60, 110, 190, 90],
  void: [230, 40, 160, 200],
  strand: [40, 160, 90, 95],
};
const BRUSHES = [4, 8, 16, 32] as const;
/** Spots of one stroke, at the most. */
const LONGEST = 400;

/** The picture of a section under its mask, with what it is mended by: a brush of each label, by pointer or keys. */
@Component({
  selector: 'tm-section-mask',
  imports: [NzButtonModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="stack">
      <img
        #picture
        [src]="photo.address()"
        alt="Micrograph of the cut crimp"
        (load)="work.loaded(picture.currentSrc)"
      />
      <canvas
        #mask
        [class.away]="!work.isShown()"
        role="img"
        [attr.aria-label]="said()"
        (pointerdown)="begin($event)"
        (pointermove)="draw($event)"
        (pointerup)="end()"
      ></canvas>
    </div>
    <div class="tools" role="toolbar" aria-label="Mend the mask">
      <button nz-button type="button" class="tool" [attr.aria-pressed]="work.isShown()" (click)="work.turnMask()">
        <kbd>V</kbd> {{ work.isShown() ? 'Hide the mask' : 'Show the mask' }}
      </button>
      @for (label of labels; track label; let i = $index) {
        <button
          nz-button
          type="button"
          class="tool"
          [class.here]="label === work.brush()"
          [attr.aria-pressed]="label === work.brush()"
          (click)="work.choose(label)"
        >
          <kbd>{{ i + 1 }}</kbd> <span class="chip" [class]="label"></span> {{ label }}
        </button>
      }
      <label for="brush-size">Brush</label>
      <tm-select
        selectId="brush-size"
        [options]="brushes"
        [value]="work.radius().toString()"
        (valueChange)="work.widen(+($event ?? 1))"
      />
      @if (work.strokes().length) {
        <button nz-button type="button" class="tool" (click)="work.undo()">
          <kbd>Backspace</kbd> Take the last stroke back
        </button>
      }
    </div>
    <p class="soft">
      Green is strand, magenta void, blue barrel. Draw over it where it is wrong; by keys: choose a label, move with the
      arrows, Space sets a spot.
    </p>
  `,
  styleUrl: '../picture-page.less',
  styles: `
    .stack {
      border: 1px solid var(--line);
      max-width: 720px;
      position: relative;
    }
    .stack img,
    .stack canvas {
      display: block;
      width: 100%;
    }
    .stack canvas {
      cursor: crosshair;
      height: 100%;
      inset: 0;
      position: absolute;
      touch-action: none;
    }
    .away {
      opacity: 0;
    }
    .chip {
      border: 1px solid var(--ink-soft);
      display: inline-block;
      height: 12px;
      width: 12px;
    }
    .chip.barrel {
      background: #3c6ebe;
    }
    .chip.void {
      background: #e628a0;
    }
    .chip.strand {
      background: #28a05a;
    }
  `,
})
export class SectionMask {
  protected readonly work = inject(SectionWork);
  protected readonly photo = inject(PhotoInHand);
  private readonly mask = viewChild.required<ElementRef<HTMLCanvasElement>>('mask');
  protected readonly labels = SECTION_LABELS;
  protected readonly brushes = BRUSHES.map((size) => ({ value: String(size), label: `${size} cells` }));
  /** Where a spot is set by keys, in cells. */
  private readonly cross = signal({ x: 0, y: 0 });
  private stroke: { x: number; y: number }[] | null = null;
  protected readonly said = computed(() => {
    const f = this.work.figures();
    return f ? `Mask of the section: ${toldStrands(f)}, ${(100 * f.voids).toFixed(1)} % voids` : 'No mask yet';
  });

  constructor() {
    effect(() => {
      const found = this.work.found();
      if (found) this.paint(found);
    });
  }

  /** Keys of the page that are the mask's. */
  handle(key: string, event: KeyboardEvent): boolean {
    const label = SECTION_LABELS[Number(key) - 1];
    const by = arrowStep(key, event.shiftKey ? 25 : 5);
    if (label) this.work.choose(label);
    else if (by) {
      const { width, height } = this.mask().nativeElement;
      this.cross.update(({ x, y }) => ({
        x: Math.min(width - 1, Math.max(0, x + by.x)),
        y: Math.min(height - 1, Math.max(0, y + by.y)),
      }));
    } else if (key === ' ' && this.work.found()) this.work.draw([this.cross()]);
    else if (key === 'Backspace') this.work.undo();
    else if (key.toLowerCase() === 'v') this.work.turnMask();
    else return false;
    return true;
  }

  private paint({ columns, rows, labels }: NonNullable<SectionAnswer['found']>): void {
    const canvas = this.mask().nativeElement;
    if (canvas.width !== columns || canvas.height !== rows) {
      canvas.width = columns;
      canvas.height = rows;
      this.cross.set({ x: Math.round(columns / 2), y: Math.round(rows / 2) });
    }
    const context = canvas.getContext('2d');
    if (!context) return;
    const image = context.createImageData(columns, rows);
    labels.forEach((label, i) => {
      image.data.set(TINTS[SECTION_LABELS[label] ?? 'outside'], i * 4);
    });
    context.putImageData(image, 0, 0);
    context.strokeStyle = '#16242a';
    context.beginPath();
    context.arc(this.cross().x, this.cross().y, this.work.radius(), 0, 2 * Math.PI);
    context.stroke();
  }

  private at(event: PointerEvent): { x: number; y: number } {
    const canvas = this.mask().nativeElement;
    const { left, top, width, height } = canvas.getBoundingClientRect();
    return {
      x: Math.round(((event.clientX - left) / width) * canvas.width),
      y: Math.round(((event.clientY - top) / height) * canvas.height),
    };
  }

  protected begin(event: PointerEvent): void {
    if (!this.work.found()) return;
    this.stroke = [this.at(event)];
    (event.target as HTMLElement).setPointerCapture(event.pointerId);
  }

  protected draw(event: PointerEvent): void {
    const { stroke } = this;
    if (!stroke || stroke.length >= LONGEST) return;
    const at = this.at(event);
    stroke.push(at);
    const context = this.mask().nativeElement.getContext('2d');
    if (!context) return;
    context.fillStyle = '#16242a';
    context.beginPath();
    context.arc(at.x, at.y, this.work.radius(), 0, 2 * Math.PI);
    context.fill();
  }

  protected end(): void {
    const { stroke } = this;
    this.stroke = null;
    if (stroke) this.work.draw(stroke);
  }
}
