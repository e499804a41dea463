import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { drawTerminal, FAMILIES, familyName, type Family } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ShapeView } from '../parts/shape-view';

const OPEN: readonly Family[] = ['open-barrel-contact', 'sealed-contact', 'signal-contact', 'open-barrel-splice'];
/** The end each family is best known by. */
const SHAPE: Readonly<Partial<Record<Family, string>>> = { 'signal-contact': 'pin', 'machined-contact': 'pin' };

/** Each family as such parts usually look, without a dimension. */
const OPTIONS = FAMILIES.map((family) => ({
  family,
  name: familyName(family),
  drawing: drawTerminal(
    {
      ...{ family, shape: SHAPE[family] ?? (OPEN.includes(family) ? 'receptacle' : 'ring') },
      ...{ seam: OPEN.includes(family) ? ('open' as const) : ('butted' as const), lengths: {} },
    },
    (path) => path === 'studHole' && !OPEN.includes(family) && family !== 'machined-contact',
    { width: 170, plain: true },
  ),
}));

/** Which family a new terminal is of, by its drawing: what is asked of it follows from that. */
@Component({
  selector: 'tm-family-choice',
  imports: [NzButtonModule, ShapeView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3 id="family-choice">What kind of terminal is it?</h3>
    <ul aria-labelledby="family-choice">
      @for (option of options; track option.family) {
        <li>
          <button nz-button type="button" (click)="chosen.emit(option.family)">
            <tm-shape-view [drawing]="option.drawing" said="" aria-hidden="true" />
            {{ option.name }}
          </button>
        </li>
      }
    </ul>
    <p class="soft">
      What is asked of it follows: a lug has a die index, a contact a cavity.
      <button class="link" type="button" (click)="left.emit()">Go on without the drawings</button>
    </p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    ul {
      display: grid;
      gap: 10px;
      grid-template-columns: repeat(auto-fill, minmax(186px, 1fr));
      list-style: none;
      margin: 0;
      padding: 0;
    }
    button[nz-button] {
      align-content: space-between;
      display: grid;
      font-weight: 400;
      height: 138px;
      justify-items: center;
      padding: 8px;
      white-space: normal;
      width: 100%;
    }
    tm-shape-view {
      display: grid;
      height: 92px;
      place-items: center;
      width: 170px;
    }
    tm-shape-view ::ng-deep svg {
      max-height: 92px;
    }
  `,
})
export class FamilyChoice {
  readonly chosen = output<Family>();
  readonly left = output();
  protected readonly options = OPTIONS;
}
