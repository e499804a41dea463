import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { capital, endOf, isInRange, ofEnd, readLength, showRange, wireName, type End } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { DeviceField } from './device-field';
import { Mark } from './mark';
import { typedText } from './zod-form';
import { Notice } from './notice';

/** Puts the cursor where the next piece's length is typed. */
export function focusMeasure(): void {
  document.getElementById('strip-typed')?.focus();
}

interface Line {
  readonly piece: number;
  /** The wire it is of: its end and its number there, and what it is called among others. */
  readonly end: End;
  readonly wire: number;
  readonly name: string;
  readonly value: number | null;
  readonly state: 'missing' | 'pass' | 'fail';
  readonly isLong: boolean;
}

/** A way to a length that replaces another one. */
interface Way {
  readonly after: 'trim' | 'cut-off' | null;
  readonly label: string;
  readonly why: string;
}

const WAYS = {
  typed: { after: null, label: 'put right', why: '' },
  trim: { after: 'trim', label: 'trimmed', why: 'wire end trimmed' },
  'cut-off': { after: 'cut-off', label: 'cut off, stripped again', why: 'cut off and stripped again' },
} as const satisfies Record<string, Way>;

/** Measured strip lengths of the first pieces: typed, judged at once, kept on Enter; corrected with a reason. */
@Component({
  selector: 'tm-measures',
  imports: [Notice, ReactiveFormsModule, DeviceField, NzButtonModule, NzInputModule, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length && wanted() > 0) {
      <section aria-labelledby="measure-strip">
        <h2 id="measure-strip">
          Strip length as made
          @if (rows().length === 1) {
            <span class="soft">{{ rows()[0]?.good }}</span>
          }
        </h2>
        @for (row of rows(); track row.name) {
          @if (rows().length > 1) {
            <h3>
              {{ row.name }} <span class="soft">{{ row.good }}</span>
            </h3>
          }
          <div class="pieces">
            @for (line of row.lines; track line.piece) {
              <span class="piece figures">
                <tm-mark [state]="line.state" [size]="18" />
                piece {{ line.piece }}
                @if (line.value !== null) {
                  <strong>{{ line.value.toFixed(2) }} mm</strong>
                  @for (way of waysOf(line); track way.after) {
                    <button
                      nz-button
                      class="quiet"
                      type="button"
                      [attr.aria-label]="way.label + ': ' + nameOf(line)"
                      (click)="change(line, way)"
                    >
                      {{ way.label }}
                    </button>
                  }
                }
              </span>
            }
          </div>
        }
        @if (asked(); as next) {
          <form (submit)="keep($event)">
            <label for="strip-typed">{{ nameOf(next) }}, mm or in <kbd>M</kbd></label>
            <input
              nz-input
              class="typed"
              inputmode="decimal"
              autocomplete="off"
              id="strip-typed"
              tmDevice
              [formControl]="typed"
            />
            @if (correcting()) {
              <label for="strip-why">Why? The first value stays on record.</label>
              <input nz-input maxlength="500" id="strip-why" [formControl]="why" />
            }
            <button nz-button class="bench-button" type="submit">Keep</button>
          </form>
        }
        @if (hasFailed() && budget()) {
          <p class="soft">{{ budget() }}</p>
        }
        @if (refusal()) {
          <tm-notice kind="bad">{{ refusal() }}</tm-notice>
        }
      </section>
    }
  `,
  styleUrl: './box.less',
  styles: `
    h3 {
      font-size: 14px;
      margin: 4px 0 0;
    }
    form,
    .pieces {
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
  private readonly hand = inject(Hand);
  protected readonly typed = typedText();
  protected readonly why = typedText();
  protected readonly refusal = signal('');
  protected readonly correcting = signal<Line | null>(null);
  /** What was done to the end whose length is measured again. */
  private readonly after = signal<Way['after']>(null);
  protected readonly budget = computed(() => {
    const setUp = this.hand.setUp();
    return setUp?.cutOffs.text || (setUp?.budget?.text ?? '');
  });
  protected readonly hasFailed = computed(() => this.rows().some(({ lines }) => lines.some((l) => l.state === 'fail')));
  protected readonly wanted = computed(() => this.hand.view()?.practice.measuredPieces ?? 0);
  private readonly given = computed(() => this.hand.of('measure').filter(({ body }) => body.what === 'strip'));
  /** Each wire in the barrel is stripped to a window of its own. */
  protected readonly rows = computed(() =>
    (this.hand.setUp()?.wires ?? []).flatMap((own, _, all) => {
      const range = own.preparation?.strip.window;
      if (!range) return [];
      const { end, number: wire } = own;
      const measured = this.given().filter(({ body }) => endOf(body) === end && (body.wire ?? 1) === wire);
      const count = Math.max(this.wanted(), ...measured.map(({ body }) => body.piece));
      const name = wireName(own, all);
      return {
        name: `${capital(name)}, ${own.wire.part}`,
        good: `${showRange(range, 2)} mm is good`,
        lines: Array.from({ length: count }, (_, at): Line => {
          const value = measured.find(({ body }) => body.piece === at + 1)?.body.value ?? null;
          const state = value === null ? 'missing' : isInRange(value, range) ? 'pass' : 'fail';
          return { piece: at + 1, end, wire, name, value, state, isLong: value !== null && value > range.max };
        }),
      };
    }),
  );
  /** What is typed next: all wires of a piece before the next piece; null when all are measured. */
  protected readonly asked = computed<Line | null>(() => {
    const open = this.rows().flatMap((row) => row.lines.filter((line) => line.value === null));
    return this.correcting() ?? open.sort((a, b) => a.piece - b.piece)[0] ?? null;
  });

  protected nameOf({ piece, name }: Line): string {
    return `Piece ${piece}${name ? `, ${name}` : ''}`;
  }

  /** What can be done about a length: one that was typed wrong is put right, one out of range is trimmed or cut off. */
  protected waysOf({ state, isLong }: Line): readonly Way[] {
    if (state !== 'fail') return [WAYS.typed];
    return isLong ? [WAYS.trim, WAYS['cut-off'], WAYS.typed] : [WAYS['cut-off'], WAYS.typed];
  }

  protected change(line: Line, way: Way): void {
    this.correcting.set(line);
    this.after.set(way.after);
    this.why.setValue(way.why);
    setTimeout(focusMeasure);
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const asked = this.asked();
    if (!asked) return;
    const read = readLength(this.typed.value, 'mm');
    if (read.outcome === 'refused') {
      this.refusal.set(read.text);
      return;
    }
    const body = {
      kind: 'measure',
      piece: asked.piece,
      ...ofEnd(asked.end),
      ...(asked.wire > 1 && { wire: asked.wire }),
      what: 'strip',
      value: read.millimetres,
      typed: this.typed.value.trim(),
      unit: read.unit,
      note: '',
      ...(this.correcting() && this.after() && { after: this.after() ?? undefined }),
    } as const;
    const standing = this.given().find(
      ({ body: kept }) => kept.piece === asked.piece && endOf(kept) === asked.end && (kept.wire ?? 1) === asked.wire,
    );
    const refusal = this.hand.put(body, standing ? { corrects: standing.id, why: this.why.value } : null);
    this.refusal.set(refusal?.text ?? '');
    if (refusal) return;
    this.typed.setValue('');
    this.why.setValue('');
    this.correcting.set(null);
    const field = document.getElementById('strip-typed');
    if (field instanceof HTMLInputElement) field.value = '';
    // The last one kept: the keys belong to the stage again.
    if (!this.asked()) field?.blur();
    else field?.focus();
  }
}
