import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type Suspect } from '@tug-mark/contract';
import { checkPlaces, judgeTool, mountedDie, recordsOf, standingFailure, type Die, type Tool } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api } from '../http/api';
import { CabinetStore } from '../cabinet/cabinet.store';
import { count } from '../parts/count';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { Reasons } from '../parts/reasons';
import { showDay, showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { Keys } from '../shell/keys';
import { SuspectLots } from './suspect-lots';
import { ToolCheckGuide } from './tool-check';
import { ToolReturnForm } from './tool-return';
import { injectShopTime } from '../session/shop-day';

const STATES = { ready: 'pass', 'check-due': 'hold', refused: 'fail' } as const;
const ORDER = { 'check-due': 0, refused: 1, ready: 2 } as const;

/** Start of the shift: every tool with its state, what is mounted in it, and the checks that are due, one by one. */
@Component({
  selector: 'tm-tools-page',
  imports: [RouterLink, NzButtonModule, Mark, ProblemNotice, Reasons, ToolCheckGuide, ToolReturnForm, SuspectLots],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            At the start of the shift each tool in use is checked: the gauge’s setting, go, no-go. It takes two minutes;
            a bad tool found at noon costs the morning’s pieces.
          </p>
        </div>
        @if (due().length && mayCheck()) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="next()">
            Check the next: {{ due()[0]?.tool?.label }}
          </button>
        }
      </div>
      @if (store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <ul>
        @for (line of lines(); track line.tool.part) {
          <li [id]="'tool-' + line.tool.part">
            <tm-mark [state]="states[line.state.state]" [size]="22" />
            <div>
              <h2>
                <a [routerLink]="['/shop/cabinet', 'tool', line.tool.part]">{{ line.tool.label }}</a>
                <span class="soft">{{ line.tool.kind }}, {{ line.tool.station ?? 'carried about' }}</span>
              </h2>
              <p>{{ words(line.tool, line.mounted) }}</p>
              <p class="soft">
                last check
                {{ line.state.lastCheck ? time(line.state.lastCheck.at) + ' by ' + line.state.lastCheck.by : 'none' }} ·
                calibrated to {{ day(line.tool.calibrationUntil) }} · {{ line.tool.cycles }} of
                {{ line.tool.cycleLimit }} cycles
              </p>
            </div>
            <tm-reasons [reasons]="line.state.reasons" />
            @if (line.failed) {
              @if (mayReturn()) {
                <button nz-button class="bench-button" type="button" (click)="returning.set(line.tool.part)">
                  Back into use
                </button>
              } @else {
                <p class="soft">Quality puts it back once somebody has said what was done to it.</p>
              }
            } @else if (mayCheck()) {
              <button nz-button class="bench-button" type="button" (click)="checking.set(line.tool.part)">
                Check it
              </button>
            }
            @if (returning() === line.tool.part) {
              <tm-tool-return class="wide" [tool]="line.tool" (kept)="kept()" (dropped)="returning.set(null)" />
            }
            @if (checking() === line.tool.part) {
              <tm-tool-check
                class="wide"
                [tool]="line.tool"
                [mounted]="line.mounted?.id ?? null"
                (kept)="kept()"
                (dropped)="checking.set(null)"
              />
            }
            @if (suspects().get(line.tool.part); as suspect) {
              <tm-suspect-lots class="wide notice bad" [suspect]="suspect" />
            }
          </li>
        } @empty {
          <li class="soft">No tool on record. An engineer brings them in under Cabinet.</li>
        }
      </ul>
    </div>
  `,
  styles: `
    ul {
      display: grid;
      gap: 10px;
    }
    li {
      align-items: start;
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 8px 20px;
      grid-template-columns: 22px minmax(0, 1.3fr) minmax(0, 1fr) auto;
      padding: 12px 16px;
    }
    .wide {
      grid-column: 2 / -1;
    }
    h2 .soft {
      font-weight: 400;
      margin-left: 10px;
    }
    @media (max-width: 900px) {
      li {
        grid-template-columns: 22px 1fr auto;
      }
      tm-reasons {
        grid-column: 2 / -1;
      }
    }
  `,
})
export class ToolsPage {
  protected readonly day = showDay;
  private readonly shop = injectShopTime();
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly store = inject(CabinetStore);
  protected readonly states = STATES;
  protected readonly time = showTime;
  protected readonly checking = signal<string | null>(null);
  protected readonly returning = signal<string | null>(null);
  protected readonly suspects = signal<ReadonlyMap<string, Suspect>>(new Map());
  private readonly now = signal(new Date().toISOString());
  protected readonly mayCheck = computed(() => may(this.person()?.roles, 'check-tool'));
  protected readonly mayReturn = computed(() => may(this.person()?.roles, 'return-tool'));
  protected readonly lines = computed(() =>
    this.store
      .of('tool')
      .map((tool) => {
        const records = recordsOf(tool, this.store.records());
        return {
          tool,
          state: judgeTool(tool, records, this.now(), this.shop()),
          mounted: mountedDie(tool, records),
          failed: standingFailure(records) !== null,
        };
      })
      .sort((a, b) => ORDER[a.state.state] - ORDER[b.state.state] || a.tool.part.localeCompare(b.tool.part)),
  );
  protected readonly due = computed(() => this.lines().filter((line) => line.state.state === 'check-due'));
  protected readonly headline = computed(() => {
    const refused = this.lines().filter((line) => line.state.state === 'refused').length;
    const due = this.due().length;
    return `Tools: ${due === 0 ? 'no check is due' : `${count(due, 'check is', 'checks are')} due`}${refused ? `, ${refused} out of use` : ''}.`;
  });

  constructor() {
    void this.store.load();
    effect(() => {
      for (const { tool, state } of this.lines()) {
        if (state.reasons.some((r) => r.code === 'check-failed')) void this.lookUp(tool.part);
      }
    });
    inject(Keys).use([{ key: 'Enter', does: 'check the next tool that is due' }], (key) => {
      if (key !== 'Enter' || this.checking() || !this.due().length) return false;
      this.next();
      return true;
    });
  }

  private async lookUp(part: string): Promise<void> {
    if (this.suspects().has(part)) return;
    const found = await this.api.suspect(part).catch(() => null);
    if (found) this.suspects.update((all) => new Map(all).set(part, found));
  }

  protected next(): void {
    const part = this.due()[0]?.tool.part ?? null;
    this.checking.set(part);
    setTimeout(() => document.querySelector(`#tool-${part} tm-tool-check button`)?.scrollIntoView({ block: 'center' }));
  }

  protected async kept(): Promise<void> {
    this.checking.set(null);
    this.returning.set(null);
    this.now.set(new Date().toISOString());
    await this.store.load();
  }

  protected words(tool: Tool, die: Die | null): string {
    const positioner = tool.positioners.filter((p) => p.mounted).map((p) => p.label);
    const pins = checkPlaces(tool).find((place) => place.die.id === die?.id)?.gauge;
    return `mounted: ${[...(die ? [die.label] : []), ...positioner].join(', ') || 'nothing'}${pins ? `; gauge ${pins.go} / ${pins.noGo} mm` : ''}`;
  }
}
