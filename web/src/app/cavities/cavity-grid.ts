import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import type { Cavity, CavityState } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Mark } from '../parts/mark';

const STATES: Readonly<Record<CavityState, 'pass' | 'fail' | 'hold' | 'missing' | null>> = {
  unused: null,
  empty: 'missing',
  seated: 'hold',
  home: 'pass',
  loose: 'fail',
  out: 'hold',
};
export const CAVITY_WORDS: Readonly<Record<CavityState, string>> = {
  unused: 'unused',
  empty: 'empty',
  seated: 'not pushed yet',
  home: 'home',
  loose: 'loose',
  out: 'taken out',
};

/** A connector as a map of its cavities, seen from the side the wires go in; arrow keys go from one to its neighbour. */
@Component({
  selector: 'tm-cavity-grid',
  imports: [NzButtonModule, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="body" role="group" [attr.aria-label]="label()">
      @for (cavity of cavities(); track cavity.id) {
        <button
          nz-button
          type="button"
          [class]="cavity.state"
          [class.on]="cavity.id === chosen()"
          [style.grid-column]="cavity.column"
          [style.grid-row]="cavity.row"
          [attr.aria-pressed]="cavity.id === chosen()"
          [attr.aria-label]="
            'Cavity ' + cavity.id + ', ' + words[cavity.state] + (cavity.wire ? ', ' + cavity.wire.wireId : '')
          "
          [attr.data-cavity]="cavity.id"
          (click)="pick.emit(cavity.id)"
          (keydown)="move($event, cavity)"
        >
          <span class="figures">{{ cavity.id }}</span>
          @if (states[cavity.state]; as state) {
            <tm-mark [state]="state" [size]="18" />
          }
          <span class="wire">{{ cavity.wire?.wireId ?? '' }}</span>
        </button>
      }
    </div>
  `,
  styles: `
    .body {
      border: 2px solid var(--ink-soft);
      border-radius: 8px;
      display: grid;
      gap: 8px;
      grid-auto-columns: minmax(64px, 92px);
      grid-auto-rows: 72px;
      overflow-x: auto;
      padding: 14px;
      width: fit-content;
      max-width: 100%;
    }
    button {
      align-content: center;
      display: grid;
      gap: 1px;
      height: 100%;
      justify-items: center;
      padding: 2px;
      white-space: normal;
      width: 100%;
    }
    .figures {
      font-weight: 600;
    }
    .wire {
      color: var(--ink-soft);
      font-size: 13px;
      line-height: 1;
    }
    .unused {
      border-style: dashed;
      color: var(--ink-soft);
    }
    .on.ant-btn {
      background: var(--petrol-tint);
      box-shadow: inset 0 -4px 0 var(--petrol);
      color: var(--ink);
    }
  `,
})
export class CavityGrid {
  readonly cavities = input.required<readonly Cavity[]>();
  readonly chosen = input.required<string | null>();
  readonly label = input.required<string>();
  readonly pick = output<string>();
  protected readonly states = STATES;
  protected readonly words = CAVITY_WORDS;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  /** To the nearest cavity in the arrow's direction. */
  protected move(event: KeyboardEvent, from: Cavity): void {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!step) return;
    event.preventDefault();
    const [x = 0, y = 0] = step;
    const ahead = this.cavities()
      .map((each) => ({ each, along: (each.column - from.column) * x + (each.row - from.row) * y }))
      .filter(({ along }) => along > 0)
      .map(({ each, along }) => ({
        each,
        far: along + 2 * (x ? Math.abs(each.row - from.row) : Math.abs(each.column - from.column)),
      }))
      .sort((a, b) => a.far - b.far)[0]?.each;
    if (!ahead) return;
    this.host.nativeElement.querySelector<HTMLElement>(`[data-cavity="${CSS.escape(ahead.id)}"]`)?.focus();
    this.pick.emit(ahead.id);
  }
}
