import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FAULTS, isCaliperOnly, PLAIN_SHEET, showPoint, type Criterion, type EntryBody } from '@tug-mark/core';
import { Hand } from '../hand/hand';
import { Mark } from '../parts/mark';
import { LookWork } from './look-work';

const STATE = { accept: 'pass', note: 'note', rework: 'hold', reject: 'fail' } as const;

/** The points of the piece in hand, each with what was found or measured, and the sheet they stand on. */
@Component({
  selector: 'tm-look-points',
  imports: [Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div id="points" role="tabpanel" [attr.aria-label]="'Points of piece ' + work.piece()">
      <ol>
        @for (criterion of work.criteria(); track criterion.key; let i = $index) {
          @let at = work.states()[i]; @let given = work.findings().get(work.piece() + '/' + criterion.key);
          <li [class.here]="i === work.point()" [attr.aria-current]="i === work.point() ? 'step' : null">
            <button type="button" class="row" (click)="work.go(work.piece(), i)">
              @if (caliperOnly(criterion) && at?.value === null && !at?.toMeasure) {
                <span class="spared" aria-hidden="true">–</span>
              } @else {
                <tm-mark [state]="at?.finding && !at?.toMeasure ? state[at!.finding!] : 'missing'" [size]="18" />
              }
              <span class="title">{{ criterion.title }}</span>
              <span class="says">{{ criterion.accept }}</span>
              <span class="soft">
                @if (at?.value !== null && at?.value !== undefined && criterion.number; as unit) {
                  <strong class="figures">{{ show(at!.value!, criterion) }}</strong>
                }
                @if (given) {
                  {{ given.body.finding }}{{ told(given.body) }}
                } @else if (at?.toMeasure) {
                  to be measured
                } @else if (caliperOnly(criterion)) {
                  {{ at?.value === null ? 'not asked of this piece' : '' }}
                } @else if (work.whole().has(work.piece())) {
                  as drawn
                } @else if (at?.value === null) {
                  {{ criterion.view }}
                }
              </span>
            </button>
          </li>
        }
      </ol>
      <p class="soft by">
        @if (sheet().document === 'plain') {
          The shop has no sheet of its own in effect for this grade: points as they come with Tug Mark.
        } @else {
          By {{ sheet().document }} rev {{ sheet().revision }}, grade {{ sheet().class
          }}{{ sheet().origin === 'made-up' ? ', made up for the demo' : '' }}.
        }
      </p>
    </div>
  `,
  styles: `
    .row {
      align-items: center;
      background: none;
      border: 0;
      border-bottom: 1px solid var(--line);
      color: var(--ink);
      cursor: pointer;
      display: grid;
      font: inherit;
      gap: 1px 10px;
      grid-template-columns: 20px 1fr auto;
      line-height: 1.3;
      min-height: 44px;
      padding: 5px 8px;
      text-align: left;
      width: 100%;
    }
    .spared {
      color: var(--ink-soft);
      text-align: center;
    }
    .row > .says {
      font-size: 15px;
      grid-column: 2 / -1;
      grid-row: 2;
    }
    .row .soft {
      font-size: 14px;
      grid-row: 1;
      grid-column: 3;
      max-width: 200px;
    }
    li:not(.here) .row > .says {
      color: var(--ink-soft);
      font-size: 14px;
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    li {
      min-width: 0;
      /* The foot lies over the list; it is taller while a fault is named or a reason asked for. */
      scroll-margin-bottom: 190px;
    }
    .title {
      font: 600 16px/1.25 var(--figures);
    }
    li.here .row {
      background: var(--petrol-tint);
      box-shadow: inset 4px 0 0 var(--petrol);
    }
    .by {
      font-size: 14px;
      padding: 8px;
    }
  `,
})
export class LookPoints {
  protected readonly work = inject(LookWork);
  private readonly hand = inject(Hand);
  protected readonly state = STATE;
  protected readonly caliperOnly = isCaliperOnly;
  protected readonly sheet = computed(() => this.hand.setUp()?.lookSheet ?? PLAIN_SHEET);

  protected show(value: number, criterion: Criterion): string {
    return showPoint(value, criterion.number?.unit ?? 'mm');
  }

  protected told({ fault, note }: Extract<EntryBody, { kind: 'finding' }>): string {
    const title = FAULTS.find((f) => f.code === fault)?.title.toLowerCase();
    const text = [title, note].filter(Boolean).join(', ');
    return text ? `: ${text}` : '';
  }
}
