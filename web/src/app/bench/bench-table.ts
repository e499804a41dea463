import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, input, output, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { BenchSort, CombinationLine } from '@tug-mark/contract';
import { Mark } from '../parts/mark';
import { grouped } from '../parts/count';

/** Height of a line, px: as the style says. */
const LINE = 44;
/** Loads on when fewer lines than this are left below. */
const AHEAD = 60;
const STAGE_HEADS = ['Match', 'Prep', 'Tool', 'Crimp', 'Look', 'Tug'] as const;

/** The combinations of the bench, one line each: six marks under six heads, and the next step as a link. */
@Component({
  selector: 'tm-bench-table',
  imports: [CdkVirtualScrollViewport, CdkFixedSizeVirtualScroll, CdkVirtualForOf, RouterLink, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <cdk-virtual-scroll-viewport
      [itemSize]="line"
      minBufferPx="600"
      maxBufferPx="1200"
      (scrolledIndexChange)="reach()"
      tabindex="-1"
    >
      <table [attr.aria-rowcount]="total() ?? -1">
        <thead>
          <tr>
            @for (head of heads; track head.name) {
              <th
                scope="col"
                [class]="head.column"
                [style.top.px]="-(viewport()?.getOffsetToRenderedContentStart() ?? 0)"
                [attr.aria-sort]="sorted(head.sort)"
              >
                @if (head.sort; as sort) {
                  <button type="button" (click)="turn(sort)">
                    {{ head.name }}
                    <span aria-hidden="true">{{ sign(sort) }}</span>
                  </button>
                } @else {
                  {{ head.name }}
                }
              </th>
            }
          </tr>
        </thead>
        <tbody>
          <tr
            *cdkVirtualFor="let line of lines(); let i = index; trackBy: idOf"
            [class.current]="current() === i"
            [attr.aria-rowindex]="i + 2"
            (click)="pick.emit(i)"
          >
            <td class="terminal" [title]="line.terminal + ' ' + line.terminalLabel">
              <strong class="figures">{{ line.terminal }}</strong>&ngsp;{{ line.terminalLabel }}
              @if (line.readIn) {
                <em>not this shop's own</em>
              }
            </td>
            <td class="wire" [title]="line.wire + ' ' + line.wireLabel">
              <span class="figures">{{ line.wire }}</span>&ngsp;<span class="soft">{{ line.wireLabel }}</span>
            </td>
            @if (withList()) {
              <td class="list" [title]="line.list">{{ line.list }}</td>
            }
            <td class="count figures">{{ grouped(line.pieces) }}</td>
            @for (state of line.stages; track $index) {
              <td class="mark"><tm-mark [state]="state" [size]="18" /></td>
            }
            <td class="next" [title]="line.lot?.headline ?? line.headline">
              <a
                [id]="'next-' + i"
                [routerLink]="['/bench', line.id, line.next.to]"
                [class.bad]="line.state === 'held' || line.state === 'rejected'"
                >{{ line.next.text }}</a
              >
              @if (line.behind) {
                <span class="soft">being worked out</span>
              }
            </td>
          </tr>
        </tbody>
      </table>
    </cdk-virtual-scroll-viewport>
  `,
  styleUrl: './bench-table.less',
})
export class BenchTable {
  protected readonly grouped = grouped;
  protected readonly line = LINE;
  protected readonly viewport = viewChild(CdkVirtualScrollViewport);
  readonly lines = input.required<CombinationLine[]>();
  /** Lines in all; null where that is not known yet. */
  readonly total = input<number | null>(null);
  readonly sort = input.required<BenchSort>();
  /** Whether each line says which list it is of. */
  readonly withList = input.required<boolean>();
  /** Line the arrow keys are at. */
  readonly current = input(-1);
  readonly sortBy = output<BenchSort>();
  readonly more = output();
  readonly pick = output<number>();
  protected readonly idOf = (_: number, { id }: CombinationLine) => id;

  protected get heads(): readonly {
    name: string;
    column: string;
    sort?: 'terminal' | 'wire' | 'list' | 'pieces' | 'state';
  }[] {
    return [
      { name: 'Terminal', column: 'terminal', sort: 'terminal' },
      { name: 'Wire', column: 'wire', sort: 'wire' },
      ...(this.withList() ? [{ name: 'List', column: 'list', sort: 'list' } as const] : []),
      { name: 'Pieces', column: 'count', sort: 'pieces' },
      ...STAGE_HEADS.map((name) => ({ name, column: 'mark' })),
      { name: 'Next step', column: 'next', sort: 'state' },
    ];
  }

  protected sorted(sort: string | undefined): 'ascending' | 'descending' | null {
    if (this.sort() === sort) return 'ascending';
    return this.sort() === `-${sort}` ? 'descending' : null;
  }

  protected sign(sort: string): string {
    return { ascending: '▴', descending: '▾', none: '' }[this.sorted(sort) ?? 'none'];
  }

  /** Up, down, and back to the order of the days they are due. */
  protected turn(sort: 'terminal' | 'wire' | 'list' | 'pieces' | 'state'): void {
    this.sortBy.emit(this.sort() === sort ? `-${sort}` : this.sort() === `-${sort}` ? 'due' : sort);
  }

  protected reach(): void {
    const end = this.viewport()?.getRenderedRange().end ?? 0;
    if (end > this.lines().length - AHEAD) this.more.emit();
  }

  /** Brings a line into sight and its next step under the keys. */
  focus(index: number): void {
    const viewport = this.viewport();
    const top = index * LINE;
    if (viewport) {
      const from = viewport.measureScrollOffset();
      const height = viewport.getViewportSize() - LINE;
      if (top < from) viewport.scrollToOffset(top);
      else if (top + LINE > from + height) viewport.scrollToOffset(top + LINE - height);
    }
    requestAnimationFrame(() => document.getElementById(`next-${index}`)?.focus({ preventScroll: true }));
  }
}
