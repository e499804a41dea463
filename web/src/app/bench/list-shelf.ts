import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { BenchListed } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { injectToday } from '../session/shop-day';
import { showDay } from '../parts/show-time';

/** The wire lists of the bench: when each is due and how far it is. One of them shown, or all. */
@Component({
  selector: 'tm-list-shelf',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Lists</h2>
    <ul>
      <li>
        <button type="button" [attr.aria-pressed]="chosen() === null" (click)="choose.emit(null)">All lists</button>
      </li>
      @for (list of shown(); track list.name) {
        <li>
          <button
            type="button"
            [attr.aria-pressed]="chosen() === list.name"
            [title]="list.name"
            (click)="choose.emit(list.name)"
          >
            <strong>{{ list.name }}</strong>
            <span class="under" [class.late]="isLate(list)">{{ said(list) }}</span>
            <span class="bar" aria-hidden="true">
              <span class="through" [style.width.%]="share(list, list.through)"></span>
              <span class="bad" [style.width.%]="share(list, list.held + list.rejected)"></span>
            </span>
          </button>
        </li>
      }
    </ul>
    @if (archived().length) {
      <button nz-button class="quiet" type="button" (click)="all.set(!all())" [attr.aria-expanded]="all()">
        {{ all() ? 'Without the archive' : archived().length + ' archived' }}
      </button>
    }
  `,
  styles: `
    h2 {
      font-size: 16px;
      margin-bottom: 6px;
    }
    ul {
      background: var(--sheet);
      border: 1px solid var(--line);
      max-height: 60vh;
      overflow: auto;
    }
    li + li {
      border-top: 1px solid var(--line);
    }
    li button {
      background: none;
      border: 0;
      border-left: 4px solid transparent;
      color: var(--ink);
      cursor: pointer;
      display: grid;
      font: inherit;
      gap: 1px;
      min-height: 44px;
      padding: 7px 12px;
      text-align: left;
      width: 100%;
    }
    li button:focus-visible {
      outline-offset: -3px;
    }
    li button[aria-pressed='true'] {
      background: var(--petrol-tint);
      border-left-color: var(--petrol);
    }
    strong {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .under {
      color: var(--ink-soft);
      font-size: 14px;
    }
    .late {
      color: var(--fail);
    }
    .bar {
      background: var(--line);
      display: flex;
      height: 8px;
      margin-top: 3px;
    }
    .through {
      background: var(--pass);
    }
    .bar .bad {
      background: var(--fail);
    }
    @media (max-width: 900px) {
      ul {
        max-height: 190px;
      }
    }
  `,
})
export class ListShelf {
  private readonly today = injectToday();
  readonly lists = input.required<readonly BenchListed[]>();
  readonly chosen = input<string | null>(null);
  readonly choose = output<string | null>();
  protected readonly all = signal(false);
  protected readonly archived = computed(() => this.lists().filter((list) => list.archived));
  protected readonly shown = computed(() =>
    this.lists().filter((list) => !list.archived || this.all() || list.name === this.chosen()),
  );

  protected isLate({ due, through, combinations, archived }: BenchListed): boolean {
    return due !== null && due < this.today() && through < combinations && !archived;
  }

  protected share({ combinations }: BenchListed, part: number): number {
    return combinations ? (100 * part) / combinations : 0;
  }

  protected said(list: BenchListed): string {
    const { due, combinations, through, held, rejected, archived } = list;
    const day = due === null ? '' : due === this.today() ? 'due today' : `due ${showDay(due)}`;
    const open = through === combinations ? 'all through' : `${combinations - through} of ${combinations} open`;
    const bad = held + rejected ? `${held + rejected} held or rejected` : '';
    return [archived ? 'archived' : day, open, bad].filter(Boolean).join(' · ');
  }
}
