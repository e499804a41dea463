import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { DISPOSITIONS, type DispositionKind, type LotVerdict } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { plainNumber } from '../parts/plain-number';
import { valueOf } from '../parts/value-of';
import { sessionFeature } from '../session/session.state';

const NAMES: Readonly<Record<DispositionKind, string>> = {
  rework: 'Rework',
  accept: 'Reworked, accept',
  scrap: 'Scrap',
  'use-as-is': 'Use as is',
};

/** What becomes of pieces no check has cleared: by ranges, with a reason; letting them go is quality's. */
@Component({
  selector: 'tm-disposition',
  imports: [NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="keep($event)" novalidate>
      <div class="row">
        <label
          >Pieces
          <input nz-input id="disposition-from" inputmode="numeric" [value]="from()" (input)="from.set(value($event))"
        /></label>
        <label
          >to <input nz-input id="disposition-to" inputmode="numeric" [value]="to()" (input)="to.set(value($event))"
        /></label>
        <div role="group" aria-label="What becomes of them" class="kinds">
          @for (kind of kinds; track kind) {
            <button
              nz-button
              type="button"
              [class.on]="what() === kind"
              [attr.aria-pressed]="what() === kind"
              [disabled]="!mayLetGo() && (kind === 'accept' || kind === 'use-as-is')"
              (click)="what.set(kind)"
            >
              {{ names[kind] }}
            </button>
          }
        </div>
      </div>
      @if (!mayLetGo()) {
        <p class="soft">Accepting and using as is are for quality.</p>
      }
      @if (what() === 'rework') {
        <div class="row">
          <label
            >Wire as cut, mm <input nz-input inputmode="decimal" [value]="cut()" (input)="cut.set(value($event))"
          /></label>
          <label
            >Shortest allowed, mm
            <input nz-input inputmode="decimal" [value]="shortest()" (input)="shortest.set(value($event))"
          /></label>
          <label
            >Fresh cut, mm <input nz-input inputmode="decimal" [value]="trim()" (input)="trim.set(value($event))"
          /></label>
        </div>
      }
      <label class="note" for="disposition-note">
        Reason
        <input nz-input id="disposition-note" maxlength="500" [value]="note()" (input)="note.set(value($event))" />
      </label>
      @if (message()) {
        <p class="notice bad" role="alert">{{ message() }}</p>
      }
      <button nz-button class="bench-button" type="submit">Decide about pieces {{ from() }} to {{ to() }}</button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 8px;
      justify-items: start;
    }
    .row {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
    }
    .row label {
      display: grid;
      font-size: 15px;
      width: 92px;
    }
    .kinds {
      display: flex;
      flex-wrap: wrap;
      gap: 4px;
    }
    .kinds .on {
      background: var(--petrol-tint);
      border-color: var(--petrol);
      box-shadow: inset 4px 0 0 var(--petrol);
      color: var(--ink);
      font-weight: 600;
    }
    input,
    button {
      min-height: 44px;
    }
    .note {
      width: 100%;
    }
  `,
})
export class Disposition {
  readonly lot = input.required<LotVerdict>();
  private readonly hand = inject(Hand);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly value = valueOf;
  protected readonly kinds = DISPOSITIONS;
  protected readonly names = NAMES;
  /** The stretch to decide about first. */
  private readonly needing = computed(() => {
    const spans = this.lot().spans.filter((s) => s.state === 'suspect' || s.state === 'rework');
    const [first] = spans;
    if (!first) return null;
    // Stretches that touch are one matter.
    const last = spans.reduce((end, s) => (s.from === end.to + 1 ? s : end), first);
    return { from: first.from, to: last.to };
  });
  protected readonly from = linkedSignal(() => String(this.needing()?.from ?? 1));
  protected readonly to = linkedSignal(() => String(this.needing()?.to ?? 1));
  protected readonly what = signal<DispositionKind>('scrap');
  protected readonly cut = signal('');
  protected readonly shortest = signal('');
  protected readonly trim = signal('1');
  protected readonly note = signal('');
  protected readonly message = signal('');
  protected readonly mayLetGo = computed(() => may(this.person()?.role ?? 'technician', 'let-pieces-go'));

  protected keep(event: Event): void {
    event.preventDefault();
    const [from, to] = [this.from(), this.to()].map(plainNumber);
    if (from == null || to == null) return this.message.set('Say from which piece to which.');
    const [cut, shortest, trim] = [this.cut(), this.shortest(), this.trim()].map(plainNumber);
    const budget = cut != null && shortest != null && trim != null ? { cut, shortest, trim } : undefined;
    const lot = this.lot().head.lot;
    const refusal = this.hand.put({
      kind: 'disposition',
      lot,
      step: this.hand.ofLot(lot, 'disposition').length + 1,
      from,
      to,
      what: this.what(),
      cause: this.causeOf(from, to),
      ...(this.what() === 'rework' && budget && { budget }),
      note: this.note().trim(),
    });
    this.message.set(refusal?.text ?? '');
    if (!refusal) this.note.set('');
  }

  private causeOf(from: number, to: number) {
    const { checks, spans } = this.lot();
    const within = spans.filter((s) => s.from <= to && s.to >= from);
    if (within.some((s) => s.why === 'tool-check')) return 'tool-check' as const;
    const bad = checks.find((c) => c.outcome === 'bad' && c.piece >= from && c.piece <= to);
    if (bad) return bad.look === 'rejected' ? ('look' as const) : ('below-limit' as const);
    return within.some((s) => s.state === 'open') ? ('not-checked' as const) : ('other' as const);
  }
}
