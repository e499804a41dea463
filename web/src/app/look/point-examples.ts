import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { examples, type Criterion, type Example, type LookContext } from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { ExampleName } from './example-name';
import { ExampleScale, numberOf, valueOf } from './example-scale';
import { PieceView, viewOfFault } from './piece-view';

/** What a point looks like on this very combination: right, and below it just good enough and wrong. */
@Component({
  selector: 'tm-point-examples',
  imports: [ExampleName, ExampleScale, Mark, PieceView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (along().length) {
      <tm-example-scale
        [look]="look()"
        [criterion]="criterion()"
        [examples]="along()"
        [numbers]="numbers()"
        [choosing]="choosing()"
        (choose)="choose.emit($event)"
      />
    } @else if (choosing() ? null : right(); as good) {
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
      @for (example of beside(); track $index) {
        <li>
          <button
            type="button"
            [disabled]="!choosing() || example.kind === 'borderline'"
            [class.choice]="choosing() && example.kind === 'wrong'"
            (click)="choose.emit(example.fault!.code)"
          >
            <tm-example-name [example]="example" [key]="choosing() ? (numbers().get(example) ?? null) : null" />
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
  private readonly all = computed(() => examples(this.look(), this.criterion()));
  protected readonly right = computed(() => this.all()[0]);
  /** While a fault is named only those that are wrong stand there, so that all of them are in sight. */
  protected readonly faulty = computed(() =>
    this.all().filter((e) => e.kind === 'wrong' || (e.fault && !this.choosing())),
  );

  /** Drawings that lie on the scale of the point's number: at least one that is good and one that is not. */
  protected readonly along = computed(() => {
    const criterion = this.criterion();
    if (!numberOf(this.look(), criterion)) return [];
    const own = this.all().filter((e) => valueOf(criterion, e) !== null);
    const differ = own.filter(
      (e) => e.kind === 'right' || valueOf(criterion, e) !== valueOf(criterion, own[0] as Example),
    );
    return differ.length > 1 ? differ : [];
  });
  protected readonly beside = computed(() => {
    const along = this.along();
    return this.faulty().filter((example) => !along.includes(example));
  });

  protected viewOf(example: Example) {
    return viewOfFault(this.criterion().view, example.fault?.code ?? null);
  }

  /** The key that names each fault: in the order they are named below. */
  protected readonly numbers = computed(
    () =>
      new Map(
        this.all()
          .flatMap((e) => (e.kind === 'wrong' ? [e] : []))
          .map((e, i) => [e, i + 1] as const),
      ),
  );
}
