import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { drawTerminal, FAMILIES, familyName, type Family } from '@tug-mark/core';
import { DrawnChoice } from '../parts/drawn-choice';

const OPEN: readonly Family[] = ['open-barrel-contact', 'sealed-contact', 'signal-contact', 'open-barrel-splice'];
/** The end each family is best known by. */
const SHAPE: Readonly<Partial<Record<Family, string>>> = { 'signal-contact': 'socket', 'machined-contact': 'pin' };

/** Each family as such parts usually look, without a dimension. */
const OPTIONS = FAMILIES.map((family) => ({
  value: family,
  label: familyName(family),
  drawing: drawTerminal(
    {
      ...{ family, shape: SHAPE[family] ?? (OPEN.includes(family) ? 'receptacle' : 'ring') },
      ...{ seam: OPEN.includes(family) ? ('open' as const) : ('butted' as const), lengths: {} },
    },
    (path) => path === 'studHole' && !OPEN.includes(family) && family !== 'machined-contact',
    { width: 178, plain: true },
  ),
}));

/** Which family a new terminal is of, by its drawing: what is asked of it follows from that. */
@Component({
  selector: 'tm-family-choice',
  imports: [FormsModule, DrawnChoice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>What kind of terminal is it?</h3>
    <tm-drawn-choice
      fieldId="family-choice"
      label="Family"
      [options]="options"
      [size]="190"
      [ngModel]="null"
      (ngModelChange)="chosen.emit($event)"
    />
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
  `,
})
export class FamilyChoice {
  readonly chosen = output<Family>();
  readonly left = output();
  protected readonly options = OPTIONS;
}
