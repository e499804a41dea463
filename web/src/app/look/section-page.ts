import { ChangeDetectionStrategy, Component, effect, inject, input, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import { pixelsPerMm } from '@tug-mark/core';
import { Keys } from '../shell/keys';
import { PhotoInHand } from './photo-in-hand';
import { SectionFigures } from './section/section-figures';
import { SectionMask } from './section/section-mask';
import { SectionWork } from './section/section-work';

/** The section of a cut crimp: read by itself, shown as a mask, mended by hand where it is wrong, judged by its numbers. */
@Component({
  selector: 'tm-section-page',
  imports: [RouterLink, SectionFigures, SectionMask],
  providers: [PhotoInHand, SectionWork],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ work.headline() }}</h1>
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
        <tm-section-mask />
        <tm-section-figures />
      </div>
    </div>
  `,
  styleUrls: ['../parts/stage.less', './picture-page.less'],
  styles: `
    :host {
      display: block;
      padding: 0;
    }
  `,
})
export class SectionPage {
  protected readonly photo = inject(PhotoInHand);
  protected readonly work = inject(SectionWork);
  readonly id = input.required<string>();
  readonly photoId = input.required<string>();
  private readonly mask = viewChild.required(SectionMask);

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
      if (px === null || !this.work.source() || this.work.wireArea() === 0) return;
      start.destroy();
      if (kept) this.work.restore(kept.mended);
      void this.work.read(px, kept?.byHand ? 'blank' : 'read');
    });
    inject(Keys).use(
      [
        { key: '1-4', does: 'label to draw: outside, barrel, void, strand' },
        { key: 'V', does: 'show or hide the mask' },
        { key: 'arrows', does: 'move the spot' },
        { key: 'Space', does: 'set a spot' },
        { key: 'Backspace', does: 'take the last stroke back' },
      ],
      (key, event) => this.mask().handle(key, event),
    );
  }
}
