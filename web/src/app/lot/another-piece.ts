import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Field } from '../parts/field';
import { plainNumber } from '../parts/plain-number';
import { typedText } from '../parts/zod-form';
import { LotWork } from './lot-work';

/** A piece to check that is not due: named by its number. */
@Component({
  selector: 'tm-another-piece',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Field],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="name($event)" novalidate>
      <tm-field for="check-piece" label="Number of the piece">
        <input nz-input id="check-piece" inputmode="numeric" autocomplete="off" [formControl]="piece" />
      </tm-field>
      <button nz-button nzType="primary" class="bench-button" type="submit">Check it</button>
    </form>
  `,
  styleUrl: './panel.less',
})
export class AnotherPiece {
  private readonly work = inject(LotWork);
  protected readonly piece = typedText();

  protected name(event: Event): void {
    event.preventDefault();
    const piece = plainNumber(this.piece.value);
    const pieces = this.work.head()?.pieces ?? 0;
    if (piece === null || !Number.isInteger(piece) || piece < 1 || piece > pieces)
      this.work.say(`Pieces of this lot are numbered 1 to ${pieces}.`);
    else this.work.name(piece);
  }
}
