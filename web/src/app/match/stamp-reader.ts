import { ChangeDetectionStrategy, Component, computed, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { readStamp } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { typedText } from '../parts/zod-form';
import { Notice } from '../parts/notice';

/** What is stamped on a terminal, typed or scanned: every reading of it, never one silent guess. */
@Component({
  selector: 'tm-stamp-reader',
  imports: [ReactiveFormsModule, Notice, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="field">
      <label for="stamp">What is stamped on the terminal</label>
      <input nz-input id="stamp" autocomplete="off" placeholder="16-14 M5, 12-10 1/4, 2-5" [formControl]="stamped" />
    </div>
    @if (typed().trim()) {
      <ul aria-live="polite">
        @for (reading of readings(); track $index) {
          <li>
            <strong>{{ reading.wire }}</strong>, {{ reading.area.min.toFixed(2) }}–{{
              reading.area.max.toFixed(2)
            }}
            mm²{{ reading.stud ? ', stud ' + reading.stud : ', no stud named' }}
            @if (reading.studDiameter; as d) {
              <span class="soft">({{ d.toFixed(1) }} mm)</span>
            }
            @if (reading.stud; as found) {
              <button nz-button class="quiet" type="button" (click)="stud.emit(found)">look for {{ found }}</button>
            }
          </li>
        } @empty {
          <li>
            {{ stamp().contradiction ?? 'No reading of ‘' + typed() + '’ makes sense.' }} Read the sheet or measure the
            part.
          </li>
        }
      </ul>
      @if (readings().length > 1) {
        <tm-notice>
          It can be read in {{ readings().length }} ways, the likeliest first. The sheet decides, not this list.
        </tm-notice>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
  `,
})
export class StampReader {
  /** A stud size the person picked from a reading. */
  readonly stud = output<string>();
  protected readonly stamped = typedText();
  protected readonly typed = toSignal(this.stamped.valueChanges, { initialValue: '' });
  protected readonly stamp = computed(() => readStamp(this.typed()));
  protected readonly readings = computed(() => this.stamp().readings);
}
