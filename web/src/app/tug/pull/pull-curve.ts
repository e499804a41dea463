import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { fromNewtons, howSureText, showNumber } from '@tug-mark/core';
import { CurveView } from '../gauge/curve-view';
import { PullStore } from './pull-store';

/** What the curve of a pull shows: its peak and how far that may be off, how it failed, and how often that is right. */
@Component({
  selector: 'tm-pull-curve',
  imports: [CurveView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (entry.curve(); as curve) {
      <tm-curve [trace]="curve.trace" [read]="curve.read" [limit]="entry.limit()" [unit]="entry.unit()" />
      @if (peakText(); as text) {
        <p>{{ text }}</p>
      }
      <p class="soft" role="status">{{ curve.read?.suggestion?.evidence ?? curve.why }}</p>
      @for (reason of curve.read?.reasons; track reason.code) {
        <p class="soft">{{ reason.text }}</p>
      }
      @if (curve.read) {
        <p class="soft rests">{{ howSure }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    .rests {
      font-size: 13px;
    }
  `,
})
export class PullCurve {
  protected readonly entry = inject(PullStore);
  protected readonly howSure = howSureText();
  protected readonly peakText = computed(() => {
    const peak = this.entry.curve()?.read?.peak;
    if (!peak) return '';
    const unit = this.entry.unit();
    const shown = (newtons: number) => showNumber(fromNewtons(newtons, unit), 1);
    return peak.isLeast
      ? `Peak of the curve: more than ${shown(peak.force)} ${unit}.`
      : `Peak of the curve: ${shown(peak.force)} ± ${shown(Math.max(0.1, peak.within))} ${unit}.`;
  });
}
