import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { showTime } from '../parts/show-time';
import { typedText } from '../parts/zod-form';
import { sessionFeature } from '../session/session.state';
import { ChartReadings } from './chart-readings';
import { Notice } from '../parts/notice';

/** The baseline a chart's limits come from, and freezing the readings in sight as one. */
@Component({
  selector: 'tm-chart-baseline',
  imports: [Notice, ReactiveFormsModule, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="chart-baseline">Baseline</h2>
    @if (readings.about()?.baseline; as b) {
      <p>
        {{ b.body.points }} points, {{ b.body.subgroup === 1 ? 'one reading each' : 'means of ' + b.body.subgroup }},
        frozen by {{ b.by }}, {{ time(b.at) }}: {{ b.note }}.
        @if (b.body.subgroup !== readings.subgroup()) {
          <strong>It is for other points than these</strong>, so the limits here are these readings’ own.
        }
      </p>
    } @else {
      <p>None is frozen: the limits come from these readings themselves, and move with them.</p>
    }
    @if (mayFreeze() && readings.work()?.own) {
      <form (submit)="freeze($event)">
        <label for="baseline-note">Why are the {{ readings.seenCount() }} readings in sight the baseline?</label>
        <input nz-input id="baseline-note" maxlength="500" [formControl]="note" />
        @if (readings.tooFew()) {
          <tm-notice kind="bad">A baseline needs ten points in sight. Look at a longer stretch.</tm-notice>
        }
        <button nz-button type="submit">Freeze them as baseline</button>
      </form>
    }
  `,
  styles: `
    :host {
      align-content: start;
      display: grid;
      gap: 6px;
    }
    h2 {
      font-size: 18px;
    }
    form {
      display: grid;
      gap: 6px;
      justify-items: start;
    }
    form input,
    form button {
      min-height: 44px;
    }
  `,
})
export class ChartBaseline {
  protected readonly readings = inject(ChartReadings);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly mayFreeze = computed(() => may(this.person()?.roles, 'draft-limits'));
  protected readonly time = showTime;
  protected readonly note = typedText();

  protected async freeze(event: Event): Promise<void> {
    event.preventDefault();
    if (await this.readings.freeze(this.note.value)) this.note.setValue('');
  }
}
