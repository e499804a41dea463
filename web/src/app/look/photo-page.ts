import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { arrowStep } from '../parts/arrow-step';
import { Keys } from '../shell/keys';
import { PhotoDrawing } from './photo/photo-drawing';
import { PHOTO_TOOLS, PhotoMarking } from './photo/photo-marking';
import { PhotoMarks } from './photo/photo-marks';
import { PhotoInHand } from './photo-in-hand';

/** Measuring on a photograph: a known length gives the scale, then lengths, angles, circles and areas over the picture. */
@Component({
  selector: 'tm-photo-page',
  imports: [RouterLink, NzButtonModule, PhotoDrawing, PhotoMarks],
  providers: [PhotoInHand, PhotoMarking],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            @if (photo.shown(); as shown) {
              Piece {{ shown.piece }}{{ shown.end ? ', end 2' : '' }}, {{ shown.shows }}.
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
                nz-button
                type="button"
                class="tool"
                [class.here]="t.tool === marking.tool()"
                [attr.aria-pressed]="t.tool === marking.tool()"
                (click)="marking.take(t.tool)"
              >
                <kbd>{{ t.key }}</kbd> {{ t.title }}
              </button>
            }
            <button nz-button type="button" class="tool" (click)="marking.zoomBy(1)" aria-label="Closer">
              <kbd>+</kbd>
            </button>
            <button nz-button type="button" class="tool" (click)="marking.zoomBy(-1)" aria-label="Farther">
              <kbd>-</kbd>
            </button>
          </div>
          <tm-photo-drawing (key)="moved($event)" />
          <p class="soft" role="status">{{ marking.hint() }}</p>
        </div>
        <tm-photo-marks />
      </div>
    </div>
  `,
  styleUrl: './picture-page.less',
})
export class PhotoPage {
  protected readonly photo = inject(PhotoInHand);
  protected readonly marking = inject(PhotoMarking);
  readonly id = input.required<string>();
  readonly photoId = input.required<string>();
  protected readonly tools = PHOTO_TOOLS;
  protected readonly headline = computed(() =>
    this.marking.perMm() === null ? 'Set the scale by a length you know.' : 'Measure on the photograph.',
  );

  constructor() {
    effect(() => {
      this.photo.combination.set(this.id());
      this.photo.id.set(this.photoId());
      const image = new Image();
      image.onload = () => {
        this.marking.show({ x: image.naturalWidth, y: image.naturalHeight });
      };
      image.src = this.photo.address();
    });
    effect(() => {
      const kept = this.photo.marks()?.body.marks;
      if (kept) this.marking.restore(kept.scale, kept.marks);
    });
    effect(() => {
      if (this.marking.asksLength()) setTimeout(() => document.getElementById('known')?.focus());
    });
    inject(Keys).use(
      [
        ...PHOTO_TOOLS.map((t) => ({ key: t.key, does: `${t.title.toLowerCase()}: ${t.does.toLowerCase()}` })),
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
    const { marking } = this;
    const tool = PHOTO_TOOLS.find((t) => t.key === key.toUpperCase());
    const by = arrowStep(key, event.shiftKey ? 25 : 1);
    if (tool) marking.take(tool.tool);
    else if (by) marking.move(by.x, by.y);
    else if (key === ' ') marking.set();
    else if (key === 'Enter' && marking.tool() === 'area') marking.finish();
    else if (key === 'Backspace') marking.takeBack();
    else if (key === '+' || key === '=') marking.zoomBy(1);
    else if (key === '-') marking.zoomBy(-1);
    else return false;
    return true;
  }

  protected moved(event: KeyboardEvent): void {
    if (!this.handle(event.key, event)) return;
    event.preventDefault();
    event.stopPropagation();
  }
}
