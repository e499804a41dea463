import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { FirstDayPanel } from './first-day';
import { sessionFeature } from '../session/session.state';

interface Shelf {
  readonly to: string;
  readonly name: string;
}

const PARTS: readonly Shelf[] = [
  { to: 'cabinet', name: 'Cabinet' },
  { to: 'finder', name: 'Finder' },
];
const MEANS: readonly Shelf[] = [
  { to: 'tools', name: 'Tools and checks' },
  { to: 'gauges', name: 'Gauges and calipers' },
];
const RULES: readonly Shelf[] = [
  { to: 'limits', name: 'Limits' },
  { to: 'inspection-points', name: 'Inspection points' },
  { to: 'house-rules', name: 'House rules' },
  { to: 'studies', name: 'Studies of looking' },
  { to: 'glossary', name: 'What the words mean' },
];
const PEOPLE: readonly Shelf[] = [
  { to: 'people', name: 'People' },
  { to: 'settings', name: 'This shop' },
];

/** What the shop has and what it goes by: parts, tools, limits, rules, people, with a list at the side to go by. */
@Component({
  selector: 'tm-shop-room',
  imports: [FirstDayPanel, RouterLink, RouterLinkActive, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="side not-printed">
      <tm-first-day />
      <nav aria-label="Shop">
        @for (group of groups(); track group.name) {
          <div>
            <p>{{ group.name }}</p>
            <ul>
              @for (shelf of group.shelves; track shelf.to) {
                <li>
                  <a [routerLink]="shelf.to" routerLinkActive="here" ariaCurrentWhenActive="page">{{ shelf.name }}</a>
                </li>
              }
            </ul>
          </div>
        }
      </nav>
    </div>
    <div class="shelf" id="shelf" tabindex="-1"><router-outlet /></div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 212px minmax(0, 1fr);
    }
    .side {
      align-content: start;
      background: var(--shade);
      border-right: 1px solid var(--line);
      display: grid;
      gap: 16px;
      padding: 22px 0;
    }
    nav {
      display: grid;
      gap: 16px;
    }
    p {
      color: var(--ink-soft);
      font-size: 13px;
      padding: 0 18px 2px;
    }
    a {
      border-left: 4px solid transparent;
      color: var(--ink);
      display: block;
      padding: 7px 14px;
      text-decoration: none;
    }
    a:hover {
      background: var(--petrol-tint);
    }
    a.here {
      background: var(--sheet);
      border-left-color: var(--petrol);
      font-weight: 600;
    }
    @media (max-width: 900px) {
      :host {
        grid-template-columns: minmax(0, 1fr);
        grid-template-rows: auto 1fr;
      }
      .side {
        border-bottom: 1px solid var(--line);
        border-right: 0;
        padding: 6px 0;
      }
      nav {
        display: flex;
        flex-wrap: wrap;
        gap: 0 14px;
        padding: 6px 10px;
      }
      p {
        display: none;
      }
      ul {
        display: flex;
        flex-wrap: wrap;
      }
      a {
        border-bottom: 3px solid transparent;
        border-left: 0;
        padding: 8px;
      }
      a.here {
        border-bottom-color: var(--petrol);
      }
    }
    @media print {
      :host {
        display: block;
      }
    }
  `,
})
export class ShopRoom {
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly groups = computed(() => {
    const mayManage = may(this.person()?.roles, 'manage-people');
    return [
      { name: 'Parts', shelves: PARTS },
      { name: 'Tools', shelves: MEANS },
      { name: 'Rules', shelves: RULES },
      ...(mayManage ? [{ name: 'People', shelves: PEOPLE }] : []),
    ];
  });
}
