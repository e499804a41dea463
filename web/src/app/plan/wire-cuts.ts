import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { showAmount, type ReelCut, type WireNeed } from '@tug-mark/core';
import { tellCuts, tellScrap, tellWire } from './cut-words';

/** One wire: what of it is cut for which list, from which reel, and what is left. */
@Component({
  selector: 'tm-wire-cuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let wire = need();
    <section>
      <h3>
        {{ wire.wire }} <span class="soft">{{ all(wire) }}</span>
      </h3>
      @for (list of wire.lists; track list.list) {
        <p>{{ list.list }}: {{ told(list.demands) }}</p>
      }
      @if (wire.extra.length) {
        <p class="soft">and {{ told(wire.extra) }} for samples and pieces that are pulled</p>
      }
      @if (wire.plan; as plan) {
        <ul>
          @for (reel of plan.reels; track reel.reel) {
            <li>
              <strong>{{ reel.reel }}</strong> ({{ amount(reel.length) }}): {{ told(reel.cuts) }}; {{ rest(reel) }}
            </li>
          }
        </ul>
        @if (plan.missing.length) {
          <p class="wrong">No wire is left for {{ told(plan.missing) }}.</p>
        } @else {
          <p class="soft">{{ scrap(plan.scrap, plan.leastScrap) }}</p>
        }
      }
    </section>
  `,
  styleUrl: './sheets.less',
})
export class WireCuts {
  readonly need = input.required<WireNeed>();
  protected readonly all = tellWire;
  protected readonly told = tellCuts;
  protected readonly scrap = tellScrap;

  protected amount(mm: number): string {
    return showAmount('wire', mm);
  }

  protected rest({ rest, isScrap }: ReelCut): string {
    return rest === 0 ? 'nothing is left' : `${showAmount('wire', rest)}${isScrap ? ' become scrap' : ' are kept'}`;
  }
}
