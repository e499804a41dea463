import { ChangeDetectionStrategy, Component, DestroyRef, inject, viewChild, type ElementRef } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { FORCE_UNITS } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { FieldBurst, KeyBurst } from '../../parts/key-burst';
import { Mark } from '../../parts/mark';
import { NumberPad } from '../../parts/number-pad';
import { Select } from '../../parts/select';
import { StationGauge } from '../gauge/station-gauge';
import { pastedReadings } from '../pasted-readings';
import { PullEntry } from './pull-entry';
import { PullReading } from './pull-reading';
import { PullStore } from './pull-store';
import { PullsInHand } from './pulls-in-hand';

/** The force in hand: the field it is typed into, or the number large with its margin. */
@Component({
  selector: 'tm-pull-field',
  imports: [FormsModule, NzButtonModule, NzInputModule, Mark, NumberPad, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="big" aria-live="polite">
      @if (entry.pending(); as p) {
        <p class="number figures">
          {{ entry.shown(p.newtons) }}<span>{{ entry.unit() }}</span>
        </p>
        @if (entry.verdict(); as v) {
          <p class="verdict {{ v.verdict }}">
            <tm-mark [state]="v.verdict === 'holds' ? 'pass' : v.verdict === 'below' ? 'fail' : 'hold'" [size]="17" />
            {{ entry.margin(p.newtons) }}
          </p>
        }
      }
      <!-- Kept while a force is judged: making another one would keep the verdict waiting. -->
      <form (submit)="submit($event)" novalidate [class.gone]="entry.pending()">
        <label for="force">Peak force</label>
        <input
          nz-input
          id="force"
          #field
          class="figures"
          inputmode="decimal"
          autocomplete="off"
          name="force"
          [ngModel]="entry.text()"
          (ngModelChange)="entry.typed($event)"
          (paste)="paste($event)"
          (keydown)="keyDown($event)"
          [attr.aria-describedby]="entry.message() ? 'tug-message' : null"
          [attr.aria-invalid]="entry.message() ? true : null"
        />
        <label for="unit" class="out-of-sight">Unit of force</label>
        <tm-select selectId="unit" [options]="units" [value]="entry.unit()" (valueChange)="entry.setUnit($event)" />
        <button
          nz-button
          [nzType]="gauge.chosen() && entry.text() === '' ? 'default' : 'primary'"
          class="bench-button"
          type="submit"
        >
          Judge it
        </button>
      </form>
      <tm-number-pad
        [class.gone]="entry.pending()"
        (press)="entry.typed(entry.text() + $event)"
        (back)="entry.typed(entry.text().slice(0, -1))"
      />
    </div>
  `,
  styles: `
    form {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
    .gone {
      display: none;
    }
    form label {
      font: 600 17px var(--figures);
    }
    input {
      font-size: 40px;
      font-weight: 600;
      height: 64px;
      text-align: right;
      width: 180px;
    }
    tm-select {
      min-width: 84px;
    }
    .number {
      font-size: 68px;
      font-weight: 600;
      line-height: 1;
      text-align: right;
    }
    .number span {
      color: var(--ink-soft);
      font-size: 26px;
      margin-left: 10px;
    }
    .verdict {
      font-size: 17px;
      font-weight: 600;
      text-align: right;
    }
    .verdict.holds {
      color: var(--pass);
    }
    .verdict.below {
      color: var(--fail);
    }
  `,
})
export class PullField {
  protected readonly entry = inject(PullStore);
  protected readonly gauge = inject(StationGauge);
  private readonly acts = inject(PullEntry);
  private readonly reading = inject(PullReading);
  private readonly inHand = inject(PullsInHand);
  protected readonly units = FORCE_UNITS.map((value) => ({ value, label: value }));
  private readonly field = viewChild<ElementRef<HTMLInputElement>>('field');

  private readonly burst = new FieldBurst();
  private readonly letters = new KeyBurst(
    (key) => {
      this.acts.key(key);
    },
    (line) => {
      this.reading.text(line);
    },
  );

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.letters.stop();
    });
  }

  protected keyDown(event: KeyboardEvent): void {
    const now = event.timeStamp;
    // A gauge that ends its line with Tab: the value is whole, and the cursor stays for the next one.
    if (event.key === 'Tab' && this.burst.isBurst(now)) {
      event.preventDefault();
      this.reading.text((event.target as HTMLInputElement).value);
      return;
    }
    this.burst.heard(now);
    const { key } = event;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (key === 'Escape') {
      this.entry.again();
      return;
    }
    // A letter cannot begin a force: it is a key of the screen, though the field has the focus, or the first of a scan.
    const isEmpty = (event.target as HTMLInputElement).value === '';
    const isPrintable = key.length === 1 && key !== ' ';
    if (this.letters.isOpen ? isPrintable || key === 'Enter' || key === 'Tab' : isEmpty && /^[a-z]$/i.test(key)) {
      event.preventDefault();
      this.letters.take(key);
    }
  }

  protected paste(event: ClipboardEvent): void {
    const values = pastedReadings(event.clipboardData?.getData('text') ?? '');
    if (values.length < 2) return;
    event.preventDefault();
    this.inHand.paste(values);
  }

  protected submit(event: Event): void {
    event.preventDefault();
    // The field may hold more than the signal when a gauge types faster than a frame.
    this.reading.text(this.field()?.nativeElement.value ?? this.entry.text());
  }
}
