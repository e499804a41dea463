import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { CATALOGUES, type CatalogueKind, type CatalogueParts } from '@tug-mark/core';
import { FACT_TITLES, factsOf } from './facts';

type AnyPart = CatalogueParts[CatalogueKind];

/** Parts of a kind, one a line with the facts that tell them apart; drawn as far as it is in sight. */
@Component({
  selector: 'tm-cabinet-list',
  imports: [ScrollingModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div id="parts" role="region" [attr.aria-label]="catalogue().many">
      <div class="line titles figures" aria-hidden="true">
        <span>Part</span>
        @for (title of titles(); track title) {
          <span>{{ title }}</span>
        }
      </div>
      <cdk-virtual-scroll-viewport itemSize="54" minBufferPx="540" maxBufferPx="1080">
        <button
          type="button"
          class="line"
          *cdkVirtualFor="let part of shown(); trackBy: byPart"
          [class.here]="part.part === chosen()"
          [attr.aria-current]="part.part === chosen() ? 'true' : null"
          (click)="open.emit(part)"
        >
          <span
            ><strong class="figures">{{ part.part }}</strong
            ><span class="under">{{ part.label }}</span></span
          >
          @for (fact of facts(part); track $index) {
            <span>{{ fact }}</span>
          }
        </button>
      </cdk-virtual-scroll-viewport>
      @if (!shown().length) {
        <p class="soft none">Nothing here, or nothing matches.</p>
      }
    </div>
  `,
  styles: `
    cdk-virtual-scroll-viewport {
      background: var(--sheet);
      border: 1px solid var(--line);
      height: calc(100vh - 330px);
      min-height: 320px;
      scrollbar-gutter: stable;
    }
    .line {
      align-items: center;
      background: none;
      border: 0;
      border-bottom: 1px solid var(--line);
      color: var(--ink);
      display: grid;
      font: inherit;
      gap: 10px;
      grid-template-columns: minmax(0, 1.7fr) repeat(4, minmax(0, 1fr));
      height: 54px;
      line-height: 1.2;
      overflow: hidden;
      padding: 0 12px;
      text-align: left;
      width: 100%;
    }
    button.line {
      cursor: pointer;
    }
    button.line:hover {
      background: var(--paper);
    }
    button.line.here {
      background: var(--petrol-tint);
      box-shadow: inset 4px 0 0 var(--petrol);
    }
    button.line:focus-visible {
      outline-offset: -3px;
    }
    /* As wide as a line beside the list's own scrollbar. */
    .titles {
      background: var(--shade);
      border: 1px solid transparent;
      scrollbar-gutter: stable;
      font-weight: 600;
      height: 36px;
    }
    .under {
      color: var(--ink-soft);
      display: block;
      font-size: 14px;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .none {
      padding: 12px;
    }
  `,
})
export class CabinetList {
  readonly kind = input.required<CatalogueKind>();
  readonly shown = input.required<readonly AnyPart[]>();
  /** Number of the part that is open. */
  readonly chosen = input<string | null>(null);
  readonly open = output<AnyPart>();
  protected readonly catalogue = computed(() => CATALOGUES[this.kind()]);
  protected readonly titles = computed(() => FACT_TITLES[this.kind()]);

  protected facts(part: AnyPart): string[] {
    return factsOf(this.kind(), part);
  }
  protected byPart(_: number, part: AnyPart): string {
    return part.part;
  }
}
