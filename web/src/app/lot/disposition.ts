import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { DISPOSITION_WORDS, DISPOSITIONS, type DispositionKind, type LotVerdict } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Field } from '../parts/field';
import { plainNumber } from '../parts/plain-number';
import { refuse, typedText } from '../parts/zod-form';
import { sessionFeature } from '../session/session.state';
import { Notice } from '../parts/notice';

/** What becomes of pieces no check has cleared: by ranges, with a reason; letting them go is quality's. */
@Component({
  selector: 'tm-disposition',
  imports: [Notice, ReactiveFormsModule, NzButtonModule, NzInputModule, ChoiceButtons, Field],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()">
      <div class="row">
        <tm-field for="disposition-from" label="Pieces" [control]="form.controls.from">
          <input nz-input id="disposition-from" inputmode="numeric" formControlName="from" autocomplete="off" />
        </tm-field>
        <tm-field for="disposition-to" label="to" [control]="form.controls.to">
          <input nz-input id="disposition-to" inputmode="numeric" formControlName="to" autocomplete="off" />
        </tm-field>
      </div>
      <tm-choice-buttons
        label="What becomes of them"
        [options]="kinds()"
        [value]="what()"
        (valueChange)="choose($event)"
      />
      @if (!mayLetGo()) {
        <p class="soft">Accepting and using as is are for quality.</p>
      }
      @if (what() === 'rework') {
        <div class="row">
          <tm-field for="rework-cut" label="Wire as cut, mm">
            <input nz-input id="rework-cut" inputmode="decimal" formControlName="cut" autocomplete="off" />
          </tm-field>
          <tm-field for="rework-shortest" label="Shortest allowed, mm">
            <input nz-input id="rework-shortest" inputmode="decimal" formControlName="shortest" autocomplete="off" />
          </tm-field>
          <tm-field for="rework-trim" label="Fresh cut, mm">
            <input nz-input id="rework-trim" inputmode="decimal" formControlName="trim" autocomplete="off" />
          </tm-field>
        </div>
      }
      <tm-field for="disposition-note" label="Reason" [control]="form.controls.note">
        <input nz-input id="disposition-note" maxlength="500" formControlName="note" autocomplete="off" />
      </tm-field>
      @if (message()) {
        <tm-notice kind="bad">{{ message() }}</tm-notice>
      }
      <button nz-button nzType="primary" class="bench-button" type="submit">{{ said() }}</button>
    </form>
  `,
  styleUrl: './panel.less',
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 12px 16px;
    }
    .row tm-field {
      width: 150px;
    }
  `,
})
export class Disposition {
  readonly lot = input.required<LotVerdict>();
  readonly done = output();
  private readonly hand = inject(Hand);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  /** The stretch to decide about first. */
  private readonly needing = computed(() => {
    const spans = this.lot().spans.filter((s) => s.state === 'suspect' || s.state === 'rework');
    const [first] = spans;
    if (!first) return null;
    // Stretches that touch are one matter.
    const last = spans.reduce((end, s) => (s.from === end.to + 1 ? s : end), first);
    return { from: first.from, to: last.to };
  });
  protected readonly what = signal<DispositionKind>('scrap');
  protected readonly message = signal('');
  protected readonly mayLetGo = computed(() => may(this.person()?.roles, 'let-pieces-go'));
  protected readonly kinds = computed(() =>
    DISPOSITIONS.map((value) => ({
      value,
      label: DISPOSITION_WORDS[value].toDo,
      disabled: !this.mayLetGo() && (value === 'accept' || value === 'use-as-is'),
    })),
  );
  protected readonly form = new FormGroup({
    from: typedText(),
    to: typedText(),
    cut: typedText(),
    shortest: typedText(),
    trim: typedText('1'),
    note: typedText(),
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  protected readonly said = computed(() => {
    const { from, to } = this.typed();
    return from === to ? `Decide about piece ${from}` : `Decide about pieces ${from} to ${to}`;
  });

  constructor() {
    effect(() => {
      const { from, to } = this.needing() ?? { from: 1, to: 1 };
      this.form.patchValue({ from: String(from), to: String(to) });
    });
  }

  protected choose(what: DispositionKind | null): void {
    this.what.set(what ?? 'scrap');
  }

  protected keep(): void {
    const typed = this.form.getRawValue();
    const [from, to, cut, shortest, trim] = [typed.from, typed.to, typed.cut, typed.shortest, typed.trim].map(
      plainNumber,
    );
    if (from == null) return refuse(this.form.controls.from, 'Say from which piece.');
    if (to == null) return refuse(this.form.controls.to, 'Say up to which piece.');
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
      note: typed.note.trim(),
    });
    this.message.set(refusal?.text ?? '');
    if (refusal) return;
    this.form.controls.note.reset();
    this.done.emit();
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
