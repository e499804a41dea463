import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { CombinationView } from '@tug-mark/contract';
import {
  breakingLoad,
  envelopeDiameter,
  familyName,
  isSplice,
  metalArea,
  otherScale,
  sizeLabel,
  takesLabel,
} from '@tug-mark/core';

/** Colours of the chip beside a sleeve's own word. */
const CHIPS = { red: '#c0392b', blue: '#2d5f9a', yellow: '#e0b020' } as const;

/** What the terminal's sheet says, beside what the wire is. */
@Component({
  selector: 'tm-match-facts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let v = view();
    <div class="two">
      <section aria-labelledby="terminal">
        <h2 id="terminal">{{ v.terminal.part }}, what its sheet says</h2>
        <dl class="facts">
          <dt>family</dt>
          <dd>{{ family() }}, {{ v.terminal.barrel.seam }} seam</dd>
          <dt>conductor</dt>
          <dd>{{ range() }}</dd>
          <dt>insulation</dt>
          <dd>
            {{
              v.terminal.insulationRange
                ? v.terminal.insulationRange.min + '–' + v.terminal.insulationRange.max + ' mm'
                : 'not gripped'
            }}
          </dd>
          <dt>stud or mating</dt>
          <dd>
            {{ v.terminal.stud ?? 'none' }}
            @if (v.terminal.stamp) {
              <span class="soft">stamped {{ v.terminal.stamp }}</span>
            }
          </dd>
          @if (v.terminal.current || v.terminal.voltage) {
            <dt>carries</dt>
            <dd>{{ v.terminal.current ?? '–' }} A, {{ v.terminal.voltage ?? '–' }} V</dd>
          }
          @if (v.terminal.sleeve) {
            <dt>sleeve</dt>
            <dd>
              <svg width="14" height="14" aria-hidden="true">
                <rect width="14" height="14" rx="2" [attr.fill]="chip()" />
              </svg>
              {{ v.terminal.sleeve }}, a hint only
            </dd>
          }
          <dt>sealed</dt>
          <dd>
            {{ v.terminal.sealed ? 'yes' : 'no' }}; place of use: {{ v.combination.place
            }}{{ v.combination.demand.fuelNear ? ', fuel near: no flame' : '' }}
          </dd>
          <dt>good to</dt>
          <dd>{{ v.terminal.temperature }} °C</dd>
        </dl>
      </section>
      <section aria-labelledby="wire">
        <h2 id="wire">{{ v.wire.part }}, what the wire is</h2>
        <dl class="facts">
          <dt>size</dt>
          <dd>{{ size() }}</dd>
          @for (other of v.together; track $index) {
            <dt>with it in the barrel</dt>
            <dd>{{ other.part }} {{ other.label }}</dd>
          }
          @for (other of v.opposite; track $index) {
            <dt>{{ $first ? 'at the other end' : 'with it there' }}</dt>
            <dd>{{ other.part }} {{ other.label }}</dd>
          } @empty {
            @if (joins()) {
              <dt>at the other end</dt>
              <dd>not named by the list: one end</dd>
            }
          }
          <dt>metal</dt>
          <dd>
            {{ area() }}, {{ v.wire.conductor.strands }} × {{ v.wire.conductor.strandDiameter }} mm
            {{ v.wire.conductor.material }}
          </dd>
          <dt>over the strands</dt>
          <dd>{{ envelope() }} mm</dd>
          <dt>insulation</dt>
          <dd>{{ v.wire.insulation }}, {{ v.wire.insulationDiameter }} mm</dd>
          <dt>conductor</dt>
          <dd>{{ v.wire.conductor.kind }}</dd>
          <dt>breaks near</dt>
          <dd>{{ breaks() }} N</dd>
          <dt>good to</dt>
          <dd>{{ v.wire.temperature }} °C</dd>
        </dl>
      </section>
    </div>
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    :host {
      display: block;
      padding: 0;
    }
    h2 {
      margin-bottom: 8px;
    }
  `,
})
export class MatchFacts {
  readonly view = input.required<CombinationView>();
  private readonly conductor = computed(() => this.view().wire.conductor);
  protected readonly joins = computed(() => isSplice(this.view().terminal));
  protected readonly family = computed(() => familyName(this.view().terminal.family));
  protected readonly range = computed(() => takesLabel(this.view().terminal));
  protected readonly size = computed(
    () => `${sizeLabel(this.conductor().size)}; ${otherScale(this.conductor().size).text}`,
  );
  protected readonly area = computed(() => `${metalArea(this.conductor()).toFixed(3)} mm²`);
  protected readonly envelope = computed(() => envelopeDiameter(this.conductor()).toFixed(2));
  protected readonly breaks = computed(() => breakingLoad(this.conductor(), this.view().practice).toFixed(0));
  protected readonly chip = computed(() => CHIPS[this.view().terminal.sleeve ?? 'red']);
}
