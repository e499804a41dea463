import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { readStamp, type StampReading } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';

/** What a stamp may say, to choose from: it fills the range and the stud, and the sheet decides all the same. */
@Component({
  selector: 'tm-stamp-fill',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (readings().length) {
      <p class="soft">The stamp may be read as:</p>
      @for (reading of readings(); track $index) {
        <button nz-button type="button" (click)="taken.emit(reading)">
          {{ reading.wire }}{{ reading.stud ? ', stud ' + reading.stud : '' }}
        </button>
      }
      <span class="soft">The sheet decides, not the stamp.</span>
    } @else if (stamp().trim()) {
      <p class="soft">No reading of ‘{{ stamp() }}’ makes sense; the sheet says what it takes.</p>
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
    }
  `,
})
export class StampFill {
  readonly stamp = input.required<string>();
  readonly taken = output<StampReading>();
  protected readonly readings = computed(() => readStamp(this.stamp()).readings);
}
