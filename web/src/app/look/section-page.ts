import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  metalArea,
  numberFinding,
  pixelsPerMm,
  readNumber,
  SECTION_LABELS,
  type SectionLabel,
  type SectionStroke,
} from '@tug-mark/core';
import { wrap, type Remote } from 'comlink';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { SectionAnswer } from '../../workers/section.messages';
import type { SectionWork } from '../../workers/section.worker';
import { TermHelp } from '../glossary/term';
import { Mark } from '../parts/mark';
import { Select } from '../parts/select';
import { valueOf } from '../parts/value-of';
import { Keys } from '../shell/keys';
import { PhotoInHand } from './photo-in-hand';

/** Colour of each label over the picture; the share of it that covers. */
const TINTS: Readonly<Record<SectionLabel, readonly [number, number, number, number]>> = {
  outside: [0, 0, 0, 0],
  barrel: [60, 110, 190, 90],
  void: [230, 40, 160, 200],
  strand: [40, 160, 90, 95],
};
const BRUSHES = [4, 8, 16, 32] as const;

/** The section of a cut crimp: read by itself, shown as a mask, mended by hand where it is wrong, judged by its numbers. */
@Component({
  selector: 'tm-section-page',
  imports: [RouterLink, NzButtonModule, NzInputModule, Mark, Select, TermHelp],
  providers: [PhotoInHand],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            @if (photo.shown(); as shown) {
              Piece {{ shown.piece }}, cut. {{ shown.note }}
            }
            <a [routerLink]="['/bench', id(), photo.lot() === null ? 'look' : 'lot']">Back to the bench</a> ·
            <a [routerLink]="['/photos', id(), photoId()]">Set the scale on the picture</a>
          </p>
        </div>
      </div>
      <div class="columns">
        <div>
          <div class="stack">
            <img #picture [src]="photo.address()" alt="Micrograph of the cut crimp" (load)="loaded()" />
            <canvas
              #mask
              [class.away]="!isShown()"
              role="img"
              [attr.aria-label]="said()"
              (pointerdown)="begin($event)"
              (pointermove)="draw($event)"
              (pointerup)="end()"
            ></canvas>
          </div>
          <div class="tools" role="toolbar" aria-label="Mend the mask">
            <button type="button" class="file-choice" [attr.aria-pressed]="isShown()" (click)="isShown.set(!isShown())">
              <kbd>V</kbd> {{ isShown() ? 'Hide the mask' : 'Show the mask' }}
            </button>
            @for (label of labels; track label; let i = $index) {
              <button
                type="button"
                class="file-choice"
                [class.here]="label === brush()"
                [attr.aria-pressed]="label === brush()"
                (click)="brush.set(label)"
              >
                <kbd>{{ i + 1 }}</kbd> <span class="chip" [class]="label"></span> {{ label }}
              </button>
            }
            <label for="brush-size">Brush</label>
            <tm-select
              selectId="brush-size"
              [options]="brushes"
              [value]="radius().toString()"
              (valueChange)="radius.set(+($event ?? 1))"
            />
            @if (strokes().length) {
              <button type="button" class="file-choice" (click)="undo()">
                <kbd>Backspace</kbd> Take the last stroke back
              </button>
            }
          </div>
          <p class="soft">
            Green is strand, magenta void, blue barrel. Draw over it where it is wrong; by keys: choose a label, move
            with the arrows, Space sets a spot.
          </p>
        </div>
        <aside aria-label="Figures of the section">
          <form (submit)="setScale($event)">
            <label for="px-mm">Pixels to a millimetre</label>
            <input nz-input id="px-mm" inputmode="decimal" [value]="pxText()" (input)="pxText.set(value($event))" />
            <button nz-button class="bench-button" type="submit">Read the section</button>
          </form>
          @if (working()) {
            <p role="status">Reading the picture ...</p>
          }
          @for (reason of declined(); track reason.code) {
            <p class="notice bad" role="alert">
              It is not read: {{ reason.text }}
              <button nz-button class="bench-button" type="button" (click)="byHand()">Draw it by hand</button>
            </p>
          }
          @if (figures(); as f) {
            <dl class="facts">
              <dt>Metal of the strands</dt>
              <dd>{{ f.metal.toFixed(3) }} mm² of {{ wireArea().toFixed(3) }}</dd>
              <dt><tm-term of="compression">Compression</tm-term></dt>
              <dd>
                {{ (100 * f.compression).toFixed(1) }} %
                @if (judged('compression'); as r) {
                  <tm-mark [state]="r.good ? 'pass' : 'fail'" [size]="16" />
                  <span class="soft">{{ r.min }}–{{ r.max }}</span>
                }
              </dd>
              <dt><tm-term of="voids">Voids</tm-term></dt>
              <dd>
                {{ (100 * f.voids).toFixed(1) }} %
                @if (judged('voids'); as r) {
                  <tm-mark [state]="r.good ? 'pass' : 'fail'" [size]="16" />
                  <span class="soft">up to {{ r.max }}</span>
                }
              </dd>
              <dt>Height, width</dt>
              <dd>{{ f.height.toFixed(2) }}, {{ f.width.toFixed(2) }} mm</dd>
              <dt>Left, right roll</dt>
              <dd>{{ (100 * f.left).toFixed(1) }}, {{ (100 - 100 * f.left).toFixed(1) }} % of the metal</dd>
              <dt>Strands</dt>
              <dd>
                {{ f.strands }} found, {{ strands() }} in the wire
                @if (f.strands !== strands()) {
                  <tm-mark state="note" [size]="16" />
                }
              </dd>
            </dl>
            <p class="soft">
              Against made-up pictures with known numbers: metal within 2.3 % and voids within 1.6 points in 95 of 100;
              strands may be miscounted in a grainy picture with thin gaps. A cut that is not square makes metal look
              like more.
            </p>
            <form (submit)="keep($event)">
              @if (photo.section()) {
                <label for="section-why">A section is on record for this picture. Why is this one better?</label>
                <input nz-input id="section-why" maxlength="500" [value]="why()" (input)="why.set(value($event))" />
              }
              <button nz-button nzType="primary" class="bench-button" type="submit" [disabled]="!photo.shown()">
                Keep the section
              </button>
            </form>
          }
          @if (photo.section(); as kept) {
            <p class="notice">
              On record by {{ kept.by }}: {{ (100 * kept.body.figures.compression).toFixed(1) }} % compression,
              {{ (100 * kept.body.figures.voids).toFixed(1) }} % voids{{
                kept.body.mended.length ? ', mask mended by hand' : ''
              }}.
            </p>
          }
          @if (refusal()) {
            <p class="notice bad" role="alert">{{ refusal() }}</p>
          }
        </aside>
      </div>
    </div>
  `,
  styleUrls: ['../parts/stage.less', './picture-page.less'],
  styles: `
    :host {
      display: block;
      padding: 0;
    }
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
export class SectionPage {
  protected readonly photo = inject(PhotoInHand);
  protected readonly value = valueOf;
  readonly id = input.required<string>();
  readonly photoId = input.required<string>();
  private readonly picture = viewChild.required<ElementRef<HTMLImageElement>>('picture');
  private readonly mask = viewChild.required<ElementRef<HTMLCanvasElement>>('mask');
  protected readonly labels = SECTION_LABELS;
  protected readonly brushes = BRUSHES.map((size) => ({ value: String(size), label: `${size} cells` }));
  protected readonly brush = signal<SectionLabel>('void');
  protected readonly radius = signal<number>(8);
  protected readonly isShown = signal(true);
  protected readonly pxText = signal('');
  protected readonly why = signal('');
  protected readonly refusal = signal('');
  protected readonly working = signal(false);
  protected readonly declined = signal<SectionAnswer['reasons']>([]);
  protected readonly strokes = signal<readonly SectionStroke[]>([]);
  private readonly found = signal<SectionAnswer['found']>(null);
  private readonly isLoaded = signal(false);
  /** Drawn by hand alone, because the picture is not read by itself. */
  private readonly isByHand = signal(false);
  /** Where a spot is set by keys, in cells. */
  private cross = { x: 0, y: 0 };
  private stroke: { x: number; y: number }[] | null = null;
  private worker: Worker | null = null;
  private opened: Remote<SectionWork> | null = null;
  /** Counts what was asked: an older answer is no answer. */
  private asked = 0;

  /** Null until there is metal in the picture: of nothing drawn there is nothing to tell. */
  protected readonly figures = computed(() => {
    const figures = this.found()?.figures;
    return figures && figures.metal > 0 ? figures : null;
  });
  protected readonly wireArea = computed(() =>
    (this.photo.hand.setUp()?.wires ?? []).reduce((sum, w) => sum + metalArea(w.wire.conductor), 0),
  );
  protected readonly strands = computed(() =>
    (this.photo.hand.setUp()?.wires ?? []).reduce((sum, w) => sum + w.wire.conductor.strands, 0),
  );
  protected readonly headline = computed(() => {
    const figures = this.figures();
    if (this.declined().length) return 'This picture is not read by itself.';
    if (!figures && this.isByHand() && !this.working()) return 'Draw the barrel and the strands over the picture.';
    if (!figures) return this.working() ? 'Reading the section ...' : 'Say the scale, then the section is read.';
    const pressed = this.judged('compression');
    const share = `${(100 * figures.compression).toFixed(1)} % of the metal left, ${(100 * figures.voids).toFixed(1)} % voids`;
    if (pressed?.good === false) {
      return `Pressed ${100 * figures.compression < pressed.min ? 'too far' : 'too little'}: ${share}.`;
    }
    return `${this.judged('voids')?.good === false ? 'Loose inside' : 'Well filled'}: ${share}.`;
  });
  protected readonly said = computed(() => {
    const f = this.figures();
    return f ? `Mask of the section: ${f.strands} strands, ${(100 * f.voids).toFixed(1)} % voids` : 'No mask yet';
  });

  constructor() {
    effect(() => {
      this.photo.combination.set(this.id());
      this.photo.id.set(this.photoId());
    });
    // The scale a section was kept with, or the one set on the picture.
    const start = effect(() => {
      const marks = this.photo.marks()?.body.marks;
      const kept = this.photo.section()?.body;
      const known = kept?.pxPerMm ?? pixelsPerMm(marks?.scale ?? null);
      const px = known && Number(known.toFixed(3));
      if (px === null || !this.isLoaded() || this.wireArea() === 0) return;
      start.destroy();
      this.pxText.set(String(px));
      if (kept) this.strokes.set(kept.mended);
      void this.read(px, kept?.byHand ? 'blank' : 'read');
    });
    effect(() => {
      const found = this.found();
      if (found) this.paint(found);
    });
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
    inject(Keys).use(
      [
        { key: '1-4', does: 'label to draw: outside, barrel, void, strand' },
        { key: 'V', does: 'show or hide the mask' },
        { key: 'arrows', does: 'move the spot' },
        { key: 'Space', does: 'set a spot' },
        { key: 'Backspace', does: 'take the last stroke back' },
      ],
      (key, event) => this.handle(key, event),
    );
  }

  private handle(key: string, event: KeyboardEvent): boolean {
    const label = SECTION_LABELS[Number(key) - 1];
    const step = event.shiftKey ? 25 : 5;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[key];
    if (label) this.brush.set(label);
    else if (by) {
      const { width, height } = this.mask().nativeElement;
      this.cross = {
        x: Math.min(width - 1, Math.max(0, this.cross.x + (by[0] ?? 0))),
        y: Math.min(height - 1, Math.max(0, this.cross.y + (by[1] ?? 0))),
      };
      const found = this.found();
      if (found) this.paint(found);
    } else if (key === ' ' && this.found()) this.add([this.cross]);
    else if (key === 'Backspace') this.undo();
    else if (key.toLowerCase() === 'v') this.isShown.set(!this.isShown());
    else return false;
    return true;
  }

  protected loaded(): void {
    this.isLoaded.set(true);
  }

  /** What the sheet says of a share, and whether the figure is in it; null where it asks for none. */
  protected judged(code: 'compression' | 'voids'): { min: number; max: number; good: boolean } | null {
    const number = this.photo.criteria().find((c) => c.code === code)?.number;
    const figures = this.figures();
    if (!number || !figures) return null;
    return { ...number.range, good: numberFinding(100 * figures[code], number) === 'accept' };
  }

  protected setScale(event: Event): void {
    event.preventDefault();
    const read = readNumber(this.pxText().trim());
    if (read.outcome !== 'number' || read.rest !== '' || !(read.value > 0)) {
      return this.refusal.set('Pixels to a millimetre is a number above 0. Set the scale on the picture to find it.');
    }
    this.refusal.set('');
    void this.read(read.value);
  }

  private async read(pxPerMm: number, how: 'read' | 'blank' = 'read'): Promise<void> {
    this.isByHand.set(how === 'blank');
    this.working.set(true);
    this.declined.set([]);
    const own = ++this.asked;
    let picture: Blob;
    try {
      picture = await (await fetch(this.picture().nativeElement.currentSrc)).blob();
    } catch {
      this.working.set(false);
      this.refusal.set('The picture does not come. Is the server there? Try again.');
      return;
    }
    const answer = await this.work.read(picture, how, { pxPerMm, wireArea: this.wireArea() });
    if (own !== this.asked) return;
    // Somebody has drawn it by hand already: that is shown again, not asked for.
    if (!answer.found && this.strokes().length) return this.read(pxPerMm, 'blank');
    if (answer.found && this.strokes().length) await this.mend();
    else this.show(answer);
  }

  private show({ reasons, found }: SectionAnswer): void {
    this.working.set(false);
    this.declined.set(reasons);
    this.found.set(found);
  }

  /** Where it is not read by itself, crimp and strands are drawn by hand. */
  protected byHand(): void {
    this.brush.set('barrel');
    this.radius.set(32);
    void this.read(Number(this.pxText()), 'blank');
  }

  private async mend(): Promise<void> {
    const own = ++this.asked;
    const about = { pxPerMm: Number(this.pxText()), wireArea: this.wireArea() };
    const answer = await this.work.mend(this.strokes(), about);
    if (answer && own === this.asked) this.show(answer);
  }

  /** The worker, opened with the first picture. */
  private get work(): Remote<SectionWork> {
    this.worker ??= new Worker(new URL('../../workers/section.worker', import.meta.url), { type: 'module' });
    return (this.opened ??= wrap<SectionWork>(this.worker));
  }

  private paint({ columns, rows, labels }: NonNullable<SectionAnswer['found']>): void {
    const canvas = this.mask().nativeElement;
    if (canvas.width !== columns || canvas.height !== rows) {
      canvas.width = columns;
      canvas.height = rows;
      this.cross = { x: Math.round(columns / 2), y: Math.round(rows / 2) };
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
    context.arc(this.cross.x, this.cross.y, this.radius(), 0, 2 * Math.PI);
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
    if (!this.found()) return;
    this.stroke = [this.at(event)];
    (event.target as HTMLElement).setPointerCapture(event.pointerId);
  }

  protected draw(event: PointerEvent): void {
    const { stroke } = this;
    if (!stroke || stroke.length >= 400) return;
    const at = this.at(event);
    stroke.push(at);
    const context = this.mask().nativeElement.getContext('2d');
    if (!context) return;
    context.fillStyle = '#16242a';
    context.beginPath();
    context.arc(at.x, at.y, this.radius(), 0, 2 * Math.PI);
    context.fill();
  }

  protected end(): void {
    const { stroke } = this;
    this.stroke = null;
    if (stroke) this.add(stroke);
  }

  private add(points: readonly { x: number; y: number }[]): void {
    this.strokes.update((list) => [...list, { label: this.brush(), radius: this.radius(), points }]);
    void this.mend();
  }

  protected undo(): void {
    this.strokes.update((list) => list.slice(0, -1));
    void this.mend();
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const [shown, figures] = [this.photo.shown(), this.figures()];
    if (!shown || !figures) return;
    const refusal = this.photo.put(
      {
        kind: 'section',
        piece: shown.piece,
        photo: this.photoId(),
        pxPerMm: Number(this.pxText()),
        figures,
        mended: this.strokes(),
        ...(this.isByHand() && { byHand: true }),
        note: '',
      },
      this.photo.section(),
      this.why(),
    );
    this.refusal.set(refusal);
    if (refusal) return;
    // Compression and voids follow from it: they are not put on record a second time.
    this.why.set('');
  }
}
