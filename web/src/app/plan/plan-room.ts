import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';

const SHEETS = [
  { to: 'board', name: 'Board' },
  { to: 'queue', name: 'At each bench' },
  { to: 'went', name: 'As it went' },
  { to: 'cut', name: 'To cut and pick' },
  { to: 'stock', name: 'Stock' },
  { to: 'testing', name: 'What testing costs' },
  { to: 'floor', name: 'Benches and hours' },
] as const;

/** The plan and what it is made from, sheet beside sheet. */
@Component({
  selector: 'tm-plan-room',
  imports: [RouterLink, RouterLinkActive, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav class="not-printed" aria-label="Plan">
      @for (sheet of sheets; track sheet.to) {
        <a [routerLink]="sheet.to" routerLinkActive="here" ariaCurrentWhenActive="page">{{ sheet.name }}</a>
      }
    </nav>
    <div id="shelf" tabindex="-1"><router-outlet /></div>
  `,
  styles: `
    nav {
      background: var(--shade);
      border-bottom: 1px solid var(--line);
      display: flex;
      flex-wrap: wrap;
      padding: 0 16px;
    }
    a {
      border-bottom: 3px solid transparent;
      color: var(--ink);
      padding: 9px 8px 7px;
      text-decoration: none;
    }
    a:hover {
      background: var(--petrol-tint);
    }
    a.here {
      border-bottom-color: var(--petrol);
      font-weight: 600;
    }
  `,
})
export class PlanRoom {
  protected readonly sheets = SHEETS;
}
