import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0'] as const;

/** Digits for hands in gloves: shown where a finger points, out of the way where a mouse does. */
@Component({
  selector: 'tm-number-pad',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div role="group" aria-label="Number pad">
      @for (key of keys; track key) {
        <button nz-button type="button" tabindex="-1" (click)="press.emit(key)">{{ key }}</button>
      }
      <button nz-button type="button" tabindex="-1" aria-label="Take the last digit back" (click)="back.emit()">
        ←
      </button>
    </div>
  `,
  styles: `
    :host {
      display: none;
    }
    @media (pointer: coarse) {
      :host {
        display: block;
      }
    }
    div {
      display: grid;
      gap: 6px;
      grid-template-columns: repeat(3, 72px);
    }
    button {
      font: 600 22px var(--figures);
      height: 56px;
    }
  `,
})
export class NumberPad {
  protected readonly keys = KEYS;
  readonly press = output<string>();
  readonly back = output();
}
