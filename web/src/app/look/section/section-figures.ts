import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { howSureSectionText, readNumber, toldStrands } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { TermHelp } from '../../glossary/term';
import { Mark } from '../../parts/mark';
import { typedText } from '../../parts/zod-form';
import { PhotoInHand } from '../photo-in-hand';
import { SectionWork } from './section-work';
import { Notice } from '../../parts/notice';

/** The figures of a section, each beside what is asked of it, and keeping them. */
@Component({
  selector: 'tm-section-figures',
  imports: [Notice, ReactiveFormsModule, NzButtonModule, NzInputModule, Mark, TermHelp],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <aside aria-label="Figures of the section">
      <form (submit)="setScale($event)">
        <label for="px-mm">Pixels to a millimetre</label>
        <input nz-input id="px-mm" inputmode="decimal" [formControl]="pxText" />
        <button nz-button class="bench-button" type="submit">Read the section</button>
      </form>
      @if (work.isWorking()) {
        <p role="status">Reading the picture ...</p>
      }
      @for (reason of work.declined(); track reason.code) {
        <tm-notice kind="bad">
          It is not read: {{ reason.text }}
          <button nz-button class="bench-button" type="button" (click)="work.byHand()">Draw it by hand</button>
        </tm-notice>
      }
      @if (work.figures(); as f) {
        <dl class="facts">
          <dt>Metal of the strands</dt>
          <dd>{{ f.metal.toFixed(3) }} mm² of {{ work.wireArea().toFixed(3) }}</dd>
          <dt><tm-term of="compression">Compression</tm-term></dt>
          <dd>
            {{ (100 * f.compression).toFixed(1) }} %
            @if (work.compression(); as r) {
              <tm-mark [state]="r.good ? 'pass' : 'fail'" [size]="16" />
              <span class="soft limits">{{ r.min }}–{{ r.max }}</span>
            }
          </dd>
          <dt><tm-term of="voids">Voids</tm-term></dt>
          <dd>
            {{ (100 * f.voids).toFixed(1) }} %
            @if (work.voids(); as r) {
              <tm-mark [state]="r.good ? 'pass' : 'fail'" [size]="16" />
              <span class="soft limits">up to {{ r.max }}</span>
            }
            @if (f.lines; as lines) {
              <div class="soft">
                {{ (100 * lines).toFixed(1) }} points of it in thin lines between strands: etching makes the same
              </div>
            }
          </dd>
          <dt>Height, width</dt>
          <dd>
            {{ f.height.toFixed(2) }}{{ f.heightMost ? ' to ' + f.heightMost.toFixed(2) : '' }},
            {{ f.width.toFixed(2) }} mm
          </dd>
          <dt>Cut</dt>
          <dd>
            @if (work.cut(); as cut) {
              @if (cut.isOff) {
                <tm-mark state="note" [size]="16" />
              }
              {{ cut.text }}
            }
          </dd>
          <dt>Left, right roll</dt>
          <dd>{{ (100 * f.left).toFixed(1) }}, {{ (100 - 100 * f.left).toFixed(1) }} % of the metal</dd>
          <dt>Strands</dt>
          <dd>
            {{ told(f) }}, {{ work.strands() }} in the wire
            @if (work.isOtherCount()) {
              <tm-mark state="note" [size]="16" />
            }
            @if (f.isScratched) {
              <div class="soft">
                A scratch looks like a border between two strands. Polish again to have them counted.
              </div>
            }
          </dd>
        </dl>
        <p class="soft">
          {{ sure }}
        </p>
        <form (submit)="keep($event)">
          @if (photo.section()) {
            <label for="section-why">A section is on record for this picture. Why is this one better?</label>
            <input nz-input id="section-why" maxlength="500" [formControl]="why" />
          }
          <button nz-button nzType="primary" class="bench-button" type="submit" [disabled]="!photo.shown()">
            Keep the section
          </button>
        </form>
      }
      @if (photo.section(); as kept) {
        <tm-notice>
          On record by {{ kept.by }}: {{ (100 * kept.body.figures.compression).toFixed(1) }} % compression,
          {{ (100 * kept.body.figures.voids).toFixed(1) }} % voids{{
            kept.body.mended.length ? ', mask mended by hand' : ''
          }}.
        </tm-notice>
      }
      @if (work.refusal()) {
        <tm-notice kind="bad">{{ work.refusal() }}</tm-notice>
      }
    </aside>
  `,
  styleUrls: ['../../parts/stage.less', '../picture-page.less'],
  styles: `
    .limits {
      margin-left: 6px;
    }
    :host {
      display: block;
      padding: 0;
    }
  `,
})
export class SectionFigures {
  protected readonly work = inject(SectionWork);
  protected readonly photo = inject(PhotoInHand);
  protected readonly pxText = typedText();
  protected readonly why = typedText();
  protected readonly told = toldStrands;
  protected readonly sure = howSureSectionText();

  constructor() {
    effect(() => {
      const px = this.work.pxPerMm();
      if (px > 0) this.pxText.setValue(String(px));
    });
  }

  protected setScale(event: Event): void {
    event.preventDefault();
    const read = readNumber(this.pxText.value.trim());
    if (read.outcome === 'number' && read.rest === '' && read.value > 0) void this.work.read(read.value);
    else this.work.refuse('Pixels to a millimetre is a number above 0. Set the scale on the picture to find it.');
  }

  protected keep(event: Event): void {
    event.preventDefault();
    if (this.work.keep(this.why.value)) this.why.setValue('');
  }
}
