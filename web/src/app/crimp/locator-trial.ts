import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { readLength } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { DeviceField } from '../parts/device-field';
import { Mark } from '../parts/mark';
import { Notice } from '../parts/notice';
import { typedText } from '../parts/zod-form';

/** Trial crimps that set a locator: each measured, judged at once, with the correction in turns of its adjuster. */
@Component({
  selector: 'tm-locator-trial',
  imports: [ReactiveFormsModule, DeviceField, Mark, Notice, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (locator(); as set) {
      <section aria-labelledby="locator-trials">
        <h2 id="locator-trials">
          Trial crimps
          <span class="soft">
            indent centred {{ set.wanted.toFixed(2) }} ± {{ set.within.toFixed(2) }} mm from the barrel’s wire end; two
            good in a row
          </span>
        </h2>
        @if (set.trials.length) {
          <ol>
            @for (each of set.trials; track each.trial) {
              <li class="figures">
                <tm-mark [state]="each.isGood ? 'pass' : 'fail'" [size]="18" />
                trial {{ each.trial }} <strong>{{ each.measured.toFixed(2) }} mm</strong> {{ each.off < 0 ? '−' : '+'
                }}{{ size(each.off) }}
              </li>
            }
          </ol>
        }
        @if (!set.isSet) {
          <form (submit)="keep($event)">
            <label for="locator-typed">Trial {{ set.trials.length + 1 }}, mm or in <kbd>M</kbd></label>
            <input
              nz-input
              class="typed"
              inputmode="decimal"
              autocomplete="off"
              id="locator-typed"
              tmDevice
              [formControl]="typed"
            />
            <button nz-button class="bench-button" type="submit">Keep</button>
          </form>
        }
        @if (message()) {
          <tm-notice kind="bad">{{ message() }}</tm-notice>
        }
      </section>
    }
  `,
  styleUrl: '../parts/box.less',
  styles: `
    .soft {
      font-weight: 400;
    }
    ol {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 20px;
    }
    li {
      align-items: center;
      display: flex;
      gap: 6px;
    }
    form {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
    .typed {
      min-height: 46px;
      width: 140px;
    }
  `,
})
export class LocatorTrials {
  private readonly hand = inject(Hand);
  protected readonly locator = computed(() => this.hand.setUp()?.locator ?? null);
  protected readonly typed = typedText();
  protected readonly message = signal('');
  protected readonly size = (off: number) => Math.abs(off).toFixed(2);

  /** Puts the cursor where the next trial is typed. */
  focus(): void {
    document.getElementById('locator-typed')?.focus();
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const read = readLength(this.typed.value, 'mm');
    if (read.outcome === 'refused') {
      this.message.set(read.text);
      return;
    }
    const trial = (this.locator()?.trials.length ?? 0) + 1;
    const refusal = this.hand.put({ kind: 'locator', trial, measured: read.millimetres, note: '' });
    this.message.set(refusal?.text ?? '');
    if (!refusal) this.typed.setValue('');
  }
}
