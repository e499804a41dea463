import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { readLength } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { DeviceField } from './device-field';
import { Mark } from './mark';
import { valueOf } from './value-of';

/** Puts the cursor where the next piece's length is typed. */
export function focusMeasure(): void {
  document.getElementById('strip-typed')?.focus();
}

/** Measured strip lengths of the first pieces: typed, judged at once, kept on Enter; corrected with a reason. */
@Component({
  selector: 'tm-measures',
  imports: [DeviceField, NzButtonModule, NzInputModule, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (range(); as r) {
      @if (wanted() > 0) {
        <section aria-labelledby="measure-strip">
          <h2 id="measure-strip">
            Strip length as made{{ first() ? ' of ' + first() : '' }}
            <span class="soft">{{ r.min.toFixed(2) }}–{{ r.max.toFixed(2) }} mm is good</span>
          </h2>
          @if (first()) {
            <p class="soft">
              The other wires in the barrel have strip lengths of their own, told under Prepare; they are measured by
              hand and are not on record here yet.
            </p>
          }
          @if (taken()) {
            <form (submit)="keep($event)">
              @for (line of lines(); track line.piece) {
                <span class="piece figures">
                  <tm-mark [state]="line.state" [size]="18" />
                  piece {{ line.piece }}
                  @if (line.value !== null) {
                    <strong>{{ line.value.toFixed(2) }} mm</strong>
                    <button nz-button class="quiet" type="button" (click)="change(line.piece)">correct</button>
                  }
                </span>
              }
              @if (piece(); as next) {
                <label for="strip-typed">Piece {{ next }}, mm or in <kbd>M</kbd></label>
                <input
                  nz-input
                  class="typed"
                  inputmode="decimal"
                  autocomplete="off"
                  id="strip-typed"
                  tmDevice
                  [value]="typed()"
                  (input)="typed.set(value($event))"
                />
                @if (correcting()) {
                  <label for="strip-why">Why? The first value stays on record.</label>
                  <input nz-input maxlength="500" id="strip-why" [value]="why()" (input)="why.set(value($event))" />
                }
                <button nz-button class="bench-button" type="submit">Keep</button>
              }
            </form>
          } @else {
            <p class="soft">Take a tool first; then the first pieces are measured here.</p>
          }
          @if (refusal()) {
            <p class="notice bad" role="alert">{{ refusal() }}</p>
          }
        </section>
      }
    }
  `,
  styles: `
    section {
      border: 1px solid var(--line);
      display: grid;
      gap: 8px;
      padding: 10px 14px;
    }
    form {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 18px;
    }
    .piece {
      align-items: center;
      display: inline-flex;
      gap: 6px;
      min-height: 44px;
    }
    .typed {
      font: 600 18px var(--figures);
      min-height: 44px;
      width: 110px;
    }
  `,
})
export class Measures {
  protected readonly value = valueOf;
  private readonly hand = inject(Hand);
  /** The wire that is measured, where it shares its barrel with others. */
  protected readonly first = computed(() => {
    const view = this.hand.view();
    return view?.together.length ? view.wire.part : '';
  });
  protected readonly typed = signal('');
  protected readonly why = signal('');
  protected readonly refusal = signal('');
  protected readonly correcting = signal<number | null>(null);
  protected readonly taken = computed(() => this.hand.of('tool').length > 0);
  protected readonly range = computed(() => this.hand.setUp()?.measures.strip ?? null);
  protected readonly wanted = computed(() => this.hand.view()?.practice.measuredPieces ?? 0);
  private readonly given = computed(
    () =>
      new Map(
        this.hand
          .of('measure')
          .filter((e) => e.body.what === 'strip')
          .map((e) => [e.body.piece, e]),
      ),
  );
  protected readonly lines = computed(() => {
    const range = this.range();
    const count = Math.max(this.wanted(), ...this.given().keys());
    return Array.from({ length: count }, (_, i) => {
      const value = this.given().get(i + 1)?.body.value ?? null;
      const isIn = value !== null && range !== null && value >= range.min && value <= range.max;
      return {
        piece: i + 1,
        value,
        state: value === null ? ('missing' as const) : isIn ? ('pass' as const) : ('fail' as const),
      };
    });
  });
  /** The piece that is typed next; null when all are measured. */
  protected readonly piece = computed(
    () => this.correcting() ?? this.lines().find((line) => line.value === null)?.piece ?? null,
  );

  protected change(piece: number): void {
    this.correcting.set(piece);
    setTimeout(() => document.getElementById('strip-typed')?.focus());
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const piece = this.piece();
    if (piece === null) return;
    const read = readLength(this.typed(), 'mm');
    if (read.outcome === 'refused') {
      this.refusal.set(read.text);
      return;
    }
    const standing = this.given().get(piece);
    const refusal = this.hand.put(
      {
        kind: 'measure',
        piece,
        what: 'strip',
        value: read.millimetres,
        typed: this.typed().trim(),
        unit: read.unit,
        note: '',
      },
      standing ? { corrects: standing.id, why: this.why() } : null,
    );
    this.refusal.set(refusal?.text ?? '');
    if (refusal) return;
    this.typed.set('');
    this.why.set('');
    this.correcting.set(null);
    const field = document.getElementById('strip-typed');
    if (field instanceof HTMLInputElement) field.value = '';
    // The last one kept: the keys belong to the stage again.
    if (this.piece() === null) field?.blur();
    else field?.focus();
  }
}
