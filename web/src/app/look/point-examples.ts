import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { examples, type Criterion, type Example, type LookContext } from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { PieceView, viewOfFault } from './piece-view';

const STATE = { accept: 'pass', note: 'note', rework: 'hold', reject: 'fail' } as const;

/** What a point looks like on this very combination: right, and below it just good enough and wrong. */
@Component({
  selector: 'tm-point-examples',
  imports: [Mark, PieceView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (choosing() ? null : right(); as good) {
      <figure class="right">
        <figcaption><tm-mark state="pass" [size]="16" /> As drawn</figcaption>
        <tm-piece-view
          [look]="look()"
          [piece]="good.piece"
          [view]="viewOf(good)"
          [point]="criterion().code"
          [said]="criterion().title + ' as drawn: ' + criterion().accept"
        />
      </figure>
    }
    <ul>
      @for (example of faulty(); track $index) {
        <li>
          <button
            type="button"
            [disabled]="!choosing() || example.kind === 'borderline'"
            [class.choice]="choosing() && example.kind === 'wrong'"
            (click)="choose.emit(example.fault!.code)"
          >
            <span class="name">
              <tm-mark [state]="state[example.finding]" [size]="16" />
              @if (choosing() && example.kind === 'wrong') {
                <kbd>{{ numberOf(example) }}</kbd>
              }
              {{ example.title }}
            </span>
            <tm-piece-view
              [look]="look()"
              [piece]="example.piece"
              [view]="viewOf(example)"
              [point]="criterion().code"
              [width]="250"
              [said]="example.title + ', ' + example.finding + '. ' + example.why"
            />
            <span class="soft">{{ example.kind === 'wrong' ? example.why : 'still good' }}</span>
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    figure {
      background: var(--paper);
      border: 1px solid var(--line);
      margin: 0;
      padding: 6px 10px;
    }
    figcaption {
      align-items: center;
      display: flex;
      font: 600 15px var(--figures);
      gap: 6px;
    }
    ul {
      display: grid;
      gap: 6px;
      grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
    }
    li button {
      background: var(--sheet);
      border: 1px solid var(--line);
      color: var(--ink);
      display: grid;
      font: inherit;
      font-size: 14px;
      gap: 2px;
      height: 100%;
      line-height: 1.3;
      padding: 6px 8px;
      text-align: left;
      width: 100%;
    }
    li button.choice {
      border-color: var(--petrol);
      cursor: pointer;
    }
    .name {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      font: 600 15px/1.2 var(--figures);
      gap: 6px;
    }
    tm-piece-view {
      --piece-width: 300px;
    }
    .right tm-piece-view {
      --piece-width: 460px;
    }
  `,
})
export class PointExamples {
  readonly look = input.required<LookContext>();
  readonly criterion = input.required<Criterion>();
  /** Whether a fault is being named: the wrong ones can be chosen then. */
  readonly choosing = input(false);
  readonly choose = output<string>();
  protected readonly state = STATE;
  private readonly all = computed(() => examples(this.look(), this.criterion()));
  protected readonly right = computed(() => this.all()[0]);
  /** While a fault is named only those that are wrong stand there, so that all of them are in sight. */
  protected readonly faulty = computed(() =>
    this.all().filter((e) => e.kind === 'wrong' || (e.fault && !this.choosing())),
  );

  protected viewOf(example: Example) {
    return viewOfFault(this.criterion().view, example.fault?.code ?? null);
  }

  protected numberOf(example: Example): number {
    return (
      this.faulty()
        .filter((e) => e.kind === 'wrong')
        .indexOf(example) + 1
    );
  }
}
