import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  circleThrough,
  judgeMark,
  MARK_KINDS,
  MARK_POINTS,
  markAnswers,
  measureMark,
  pixelsPerMm,
  readLength,
  type Criterion,
  type MarkKind,
  type MarkVerdict,
  type PhotoMark,
  type PhotoScale,
  type Point2,
  type PointCode,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Mark } from '../parts/mark';
import { Select } from '../parts/select';
import { valueOf } from '../parts/value-of';
import { Keys } from '../shell/keys';
import { PhotoInHand } from './photo-in-hand';

type Tool = 'scale' | MarkKind;
const TOOLS: readonly { tool: Tool; key: string; title: string; does: string }[] = [
  { tool: 'scale', key: 'S', title: 'Scale', does: 'Two ends of a length you know' },
  { tool: 'length', key: 'L', title: 'Length', does: 'Two points' },
  { tool: 'angle', key: 'G', title: 'Angle', does: 'Arm, corner, arm' },
  { tool: 'circle', key: 'C', title: 'Circle', does: 'Three points of its rim' },
  { tool: 'area', key: 'R', title: 'Area', does: 'Its corners, then Enter' },
];
const ZOOMS = [1, 1.5, 2, 3, 4, 6, 8] as const;

/** Measuring on a photograph: a known length gives the scale, then lengths, angles, circles and areas over the picture. */
@Component({
  selector: 'tm-photo-page',
  imports: [RouterLink, NzButtonModule, NzInputModule, Mark, Select],
  providers: [PhotoInHand],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            @if (photo.shown(); as shown) {
              Piece {{ shown.piece }}, {{ shown.shows }}.
              {{ shown.note }}
            }
            Marks are kept beside the picture and never change it.
            <a [routerLink]="['/bench', id(), photo.lot() === null ? 'look' : 'lot']">Back to the bench</a>
          </p>
        </div>
      </div>
      <div class="columns">
        <div class="sheet">
          <div class="tools" role="toolbar" aria-label="What to measure">
            @for (t of tools; track t.tool) {
              <button
                type="button"
                class="file-choice"
                [class.here]="t.tool === tool()"
                [attr.aria-pressed]="t.tool === tool()"
                (click)="take(t.tool)"
              >
                <kbd>{{ t.key }}</kbd> {{ t.title }}
              </button>
            }
            <button type="button" class="file-choice" (click)="zoomBy(1)" aria-label="Closer"><kbd>+</kbd></button>
            <button type="button" class="file-choice" (click)="zoomBy(-1)" aria-label="Farther"><kbd>-</kbd></button>
          </div>
          <div
            class="view"
            tabindex="0"
            role="application"
            aria-label="Photograph: arrows move the crosshair, Space sets a point"
            (click)="click($event)"
            (keydown)="moved($event)"
          >
            <svg
              [attr.viewBox]="box()"
              [style.width.%]="100 * zoom()"
              role="img"
              [attr.aria-label]="'Photograph of the piece with ' + marks().length + ' marks'"
            >
              <image [attr.href]="photo.address()" [attr.width]="size().x" [attr.height]="size().y" />
              @if (scale(); as s) {
                <g class="scale">
                  <path [attr.d]="lineOf([s.from, s.to])" [attr.stroke-width]="stroke()" />
                  <text [attr.x]="s.to.x" [attr.y]="s.to.y - 6 * stroke()" [attr.font-size]="textSize()">
                    {{ s.length }} mm
                  </text>
                </g>
              }
              @for (mark of marks(); track $index; let i = $index) {
                <g class="mark" [class.here]="i === picked()">
                  <path [attr.d]="pathOf(mark)" [attr.stroke-width]="stroke()" />
                  @for (p of mark.points; track $index) {
                    <circle [attr.cx]="p.x" [attr.cy]="p.y" [attr.r]="2.2 * stroke()" />
                  }
                  <text
                    [attr.x]="(mark.points.at(-1)?.x ?? 0) + 4 * stroke()"
                    [attr.y]="(mark.points.at(-1)?.y ?? 0) - 4 * stroke()"
                    [attr.font-size]="textSize()"
                  >
                    {{ i + 1 }}: {{ said(mark) }}
                  </text>
                </g>
              }
              @if (draft().length) {
                <g class="mark here">
                  <path [attr.d]="lineOf(draft())" [attr.stroke-width]="stroke()" />
                  @for (p of draft(); track $index) {
                    <circle [attr.cx]="p.x" [attr.cy]="p.y" [attr.r]="2.6 * stroke()" />
                  }
                </g>
              }
              <g class="cross">
                <path [attr.d]="crossAt()" [attr.stroke-width]="stroke() * 0.7" />
              </g>
            </svg>
          </div>
          <p class="soft" role="status">{{ hint() }}</p>
        </div>
        <aside aria-label="What was measured">
          @if (asksLength()) {
            <form (submit)="setScale($event)">
              <label for="known">How long is that? mm or in</label>
              <input nz-input id="known" inputmode="decimal" [value]="known()" (input)="known.set(value($event))" />
              <button nz-button nzType="primary" class="bench-button" type="submit">Set the scale</button>
            </form>
          }
          <p class="figures">
            @if (perMm(); as px) {
              <tm-mark state="pass" [size]="16" /> {{ px.toFixed(1) }} pixels are 1 mm.
            } @else {
              <tm-mark state="missing" [size]="16" /> No scale yet: angles can be measured, lengths cannot.
            }
          </p>
          <ol>
            @for (mark of marks(); track $index; let i = $index) {
              <li [class.here]="i === picked()">
                <button type="button" class="plain" (click)="picked.set(i)">
                  <strong class="figures">{{ i + 1 }}: {{ said(mark) }}</strong> {{ mark.kind }}
                </button>
                <label [attr.for]="'answers-' + i">answers</label>
                <tm-select
                  [selectId]="'answers-' + i"
                  [options]="answersFor(mark.kind)"
                  [value]="mark.point ?? ''"
                  (valueChange)="answer(i, $event)"
                />
                @if (verdict(mark); as v) {
                  <span class="verdict"><tm-mark [state]="v.good ? 'pass' : 'fail'" [size]="16" /> {{ v.text }}</span>
                }
                <button nz-button class="quiet" type="button" (click)="remove(i)">take away</button>
              </li>
            } @empty {
              <li class="soft">Nothing is measured yet.</li>
            }
          </ol>
          @if (isChanged()) {
            <form (submit)="keep($event)">
              @if (photo.marks()) {
                <label for="marks-why">Marks are on record for this picture. Why are these better?</label>
                <input nz-input id="marks-why" maxlength="500" [value]="why()" (input)="why.set(value($event))" />
              }
              <button nz-button nzType="primary" class="bench-button" type="submit">Keep the marks</button>
            </form>
          } @else if (photo.marks()) {
            <p class="soft">
              Kept by {{ photo.marks()!.by }}.
              <a [href]="exported()" [attr.download]="'marks-' + photoId() + '.json'">Marks as JSON</a>
            </p>
          }
          @if (refusal()) {
            <p class="notice bad" role="alert">{{ refusal() }}</p>
          }
        </aside>
      </div>
    </div>
  `,
  styleUrl: './picture-page.less',
  styles: `
    .view {
      background: var(--shade);
      border: 1px solid var(--line);
      max-height: min(62vh, 640px);
      overflow: auto;
    }
    svg {
      cursor: crosshair;
      display: block;
    }
    path {
      fill: none;
      stroke: #0d4f59;
    }
    .mark.here path,
    .mark.here circle {
      stroke: #b5622b;
    }
    .scale path {
      stroke: #16242a;
      stroke-dasharray: 8 5;
    }
    .cross path {
      stroke: #b0342a;
    }
    circle {
      fill: #fcfbf8;
      stroke: #0d4f59;
    }
    text {
      fill: #16242a;
      font-family: var(--figures);
      font-weight: 600;
      paint-order: stroke;
      stroke: #fcfbf8;
      stroke-width: 5px;
    }
    li {
      align-items: center;
      border-bottom: 1px solid var(--line);
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
      padding: 6px 0;
    }
    li .plain {
      flex-basis: 100%;
      min-height: 44px;
      text-align: left;
    }
    .verdict {
      flex-basis: 100%;
    }
  `,
})
export class PhotoPage {
  protected readonly photo = inject(PhotoInHand);
  protected readonly value = valueOf;
  readonly id = input.required<string>();
  readonly photoId = input.required<string>();
  protected readonly tools = TOOLS;
  protected readonly tool = signal<Tool>('scale');
  protected readonly size = signal<Point2>({ x: 1200, y: 800 });
  protected readonly cross = signal<Point2>({ x: 0, y: 0 });
  protected readonly zoomStep = signal(0);
  protected readonly zoom = computed(() => ZOOMS[this.zoomStep()] ?? 1);
  protected readonly draft = signal<readonly Point2[]>([]);
  protected readonly scale = signal<PhotoScale | null>(null);
  protected readonly marks = signal<readonly PhotoMark[]>([]);
  protected readonly picked = signal(-1);
  protected readonly known = signal('');
  protected readonly why = signal('');
  protected readonly refusal = signal('');
  protected readonly isChanged = signal(false);
  protected readonly perMm = computed(() => pixelsPerMm(this.scale()));
  protected readonly asksLength = computed(() => this.tool() === 'scale' && this.draft().length === 2);
  protected readonly box = computed(() => `0 0 ${this.size().x} ${this.size().y}`);
  /** One screen pixel or so in the picture's own, whatever the zoom. */
  protected readonly stroke = computed(() => this.size().x / 420 / this.zoom());
  protected readonly textSize = computed(() => this.size().x / 46 / this.zoom());
  protected readonly headline = computed(() =>
    this.perMm() === null ? 'Set the scale by a length you know.' : 'Measure on the photograph.',
  );
  protected readonly hint = computed(() => {
    const t = TOOLS.find((each) => each.tool === this.tool());
    const left = this.wanted() - this.draft().length;
    if (this.asksLength()) return 'Both ends are set: say how long it is.';
    return `${t?.title}: ${t?.does.toLowerCase()}. ${this.tool() === 'area' ? `${this.draft().length} corners set.` : `${left} to set.`} Click, or move the crosshair with the arrows (with Shift in big steps) and press Space.`;
  });
  protected readonly exported = computed(() => {
    const kept = this.photo.marks()?.body;
    return `data:application/json,${encodeURIComponent(JSON.stringify({ photo: this.photoId(), ...kept?.marks }, null, 2))}`;
  });

  constructor() {
    effect(() => {
      this.photo.combination.set(this.id());
      this.photo.id.set(this.photoId());
      const image = new Image();
      image.onload = () => {
        this.size.set({ x: image.naturalWidth, y: image.naturalHeight });
        this.cross.set({ x: Math.round(image.naturalWidth / 2), y: Math.round(image.naturalHeight / 2) });
      };
      image.src = this.photo.address();
    });
    effect(() => {
      const kept = this.photo.marks()?.body.marks;
      if (!kept) return;
      this.scale.set(kept.scale);
      this.marks.set(kept.marks);
      this.isChanged.set(false);
      if (kept.scale) this.tool.set('length');
    });
    inject(Keys).use(
      [
        ...TOOLS.map((t) => ({ key: t.key, does: `${t.title.toLowerCase()}: ${t.does.toLowerCase()}` })),
        { key: 'arrows', does: 'move the crosshair' },
        { key: 'Space', does: 'set a point' },
        { key: 'Enter', does: 'close an area' },
        { key: 'Backspace', does: 'take the last point back' },
        { key: '+ -', does: 'closer, farther' },
      ],
      (key, event) => this.handle(key, event),
    );
  }

  private handle(key: string, event: KeyboardEvent): boolean {
    const tool = TOOLS.find((t) => t.key === key.toUpperCase());
    const step = event.shiftKey ? 25 : 1;
    const move: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const by = move[key];
    if (tool) this.take(tool.tool);
    else if (by) this.cross.update((c) => this.inside({ x: c.x + by[0], y: c.y + by[1] }));
    else if (key === ' ') this.set(this.cross());
    else if (key === 'Enter' && this.tool() === 'area') this.finish();
    else if (key === 'Backspace') this.draft.update((d) => d.slice(0, -1));
    else if (key === '+' || key === '=') this.zoomBy(1);
    else if (key === '-') this.zoomBy(-1);
    else return false;
    return true;
  }

  /** Arrows over the picture move the crosshair, not the scrolled view. */
  protected moved(event: KeyboardEvent): void {
    if (this.handle(event.key, event)) {
      event.preventDefault();
      event.stopPropagation();
    }
  }

  private inside({ x, y }: Point2): Point2 {
    return { x: Math.min(this.size().x, Math.max(0, x)), y: Math.min(this.size().y, Math.max(0, y)) };
  }

  protected zoomBy(steps: number): void {
    this.zoomStep.update((z) => Math.min(ZOOMS.length - 1, Math.max(0, z + steps)));
  }

  protected take(tool: Tool): void {
    this.tool.set(tool);
    this.draft.set([]);
  }

  protected click(event: MouseEvent): void {
    const picture = (event.currentTarget as HTMLElement).querySelector('svg')?.getBoundingClientRect();
    if (!picture) return;
    const at = {
      x: ((event.clientX - picture.left) / picture.width) * this.size().x,
      y: ((event.clientY - picture.top) / picture.height) * this.size().y,
    };
    const point = this.inside({ x: Number(at.x.toFixed(1)), y: Number(at.y.toFixed(1)) });
    this.cross.set(point);
    this.set(point);
  }

  private wanted(): number {
    const tool = this.tool();
    return tool === 'scale' ? 2 : MARK_POINTS[tool].most;
  }

  private set(point: Point2): void {
    if (this.asksLength()) return;
    this.draft.update((d) => [...d, point]);
    if (this.draft().length < this.wanted()) return;
    if (this.tool() === 'scale') setTimeout(() => document.getElementById('known')?.focus());
    else this.finish();
  }

  private finish(): void {
    const kind = MARK_KINDS.find((k) => k === this.tool());
    if (!kind || this.draft().length < MARK_POINTS[kind].least) return;
    this.marks.update((list) => [...list, { kind, points: this.draft(), point: null, note: '' }]);
    this.picked.set(this.marks().length - 1);
    this.draft.set([]);
    this.isChanged.set(true);
  }

  protected setScale(event: Event): void {
    event.preventDefault();
    const read = readLength(this.known(), 'mm');
    const [from, to] = this.draft();
    if (read.outcome === 'refused') return this.refusal.set(read.text);
    if (!from || !to || Math.hypot(to.x - from.x, to.y - from.y) < 1) {
      return this.refusal.set('The two ends lie on each other. Set them again.');
    }
    this.scale.set({ from, to, length: read.millimetres });
    this.refusal.set('');
    this.isChanged.set(true);
    this.known.set('');
    this.take('length');
  }

  protected lineOf(points: readonly Point2[]): string {
    return points.length ? `M${points.map((p) => `${p.x} ${p.y}`).join('L')}` : '';
  }

  protected pathOf({ kind, points }: PhotoMark): string {
    if (kind !== 'circle') return this.lineOf(points) + (kind === 'area' ? 'Z' : '');
    const [a, b, c] = points;
    if (!a || !b || !c) return '';
    const circle = circleThrough(a, b, c);
    if (!circle) return this.lineOf(points);
    const { middle, radius: r } = circle;
    return `M${middle.x - r} ${middle.y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
  }

  protected crossAt(): string {
    const { x, y } = this.cross();
    const r = 9 * this.stroke();
    return `M${x - r} ${y}H${x + r}M${x} ${y - r}V${y + r}`;
  }

  protected said(mark: PhotoMark): string {
    const found = measureMark(mark, this.scale());
    if (!found) return 'needs a scale';
    const digits = found.unit === '°' ? 1 : 3;
    return `${found.value.toFixed(digits)} ${found.unit} (±${found.within.toFixed(digits)})`;
  }

  protected pointsFor(kind: MarkKind): readonly Criterion[] {
    return this.photo.criteria().filter((c) => c.number && markAnswers(kind, c.number.unit));
  }

  protected answersFor(kind: PhotoMark['kind']) {
    const points = this.pointsFor(kind).map((c) => ({ value: c.code as string, label: c.number?.what ?? c.title }));
    return [{ value: '', label: 'nothing' }, ...points];
  }

  protected answer(index: number, code: string | null): void {
    const point = (this.photo.criteria().find((c) => c.code === code)?.code ?? null) as PointCode | null;
    this.marks.update((list) => list.map((m, i) => (i === index ? { ...m, point } : m)));
    this.isChanged.set(true);
  }

  protected verdict(mark: PhotoMark): MarkVerdict | null {
    return judgeMark(mark, this.scale(), this.photo.criteria());
  }

  protected remove(index: number): void {
    this.marks.update((list) => list.filter((_, i) => i !== index));
    this.picked.set(-1);
    this.isChanged.set(true);
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const shown = this.photo.shown();
    if (!shown) return this.refusal.set('The photograph is not on record any more.');
    const marks = { scale: this.scale(), marks: this.marks() };
    const refusal = this.photo.put(
      { kind: 'marks', piece: shown.piece, photo: this.photoId(), marks, note: '' },
      this.photo.marks(),
      this.why(),
    );
    this.refusal.set(refusal);
    if (refusal) return;
    this.isChanged.set(false);
    this.why.set('');
    for (const mark of this.marks()) {
      const criterion = this.photo.criteria().find((c) => c.code === mark.point);
      const found = measureMark(mark, this.scale());
      if (criterion && found) this.refusal.set(this.photo.putNumber(criterion, found.value));
    }
  }
}
