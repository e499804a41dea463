import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { findHold, judgeHold, judgeRetention, showLimit, type EntryBody } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Mark } from '../parts/mark';
import { Tick } from '../parts/tick';
import { plainNumber } from '../parts/plain-number';
import { typedText } from '../parts/zod-form';
import { Notice } from '../parts/notice';

/**
 * Tests that leave the piece whole: a force held for a time, and contacts pushed in their cavities, cavity by cavity.
 * Shown where the limit table or the terminal asks for them.
 */
@Component({
  selector: 'tm-kept-tests',
  imports: [Notice, ReactiveFormsModule, RouterLink, NzButtonModule, NzInputModule, Mark, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (hold(); as wanted) {
      <details [open]="lot() !== null">
        <summary>
          Hold {{ least(wanted.force) }} N for {{ wanted.seconds }} s
          <span class="soft">· {{ holds().length }} tried</span>
        </summary>
        <p class="soft">{{ holdNote() }}</p>
        @for (h of holds(); track h.piece) {
          <p><tm-mark [state]="h.state" /> Piece {{ h.piece }}: {{ h.text }}</p>
        }
        <form (submit)="keepHold($event)" novalidate>
          <label
            >Piece
            <input nz-input id="kept-piece" inputmode="numeric" [formControl]="piece" [placeholder]="holdPiece()"
          /></label>
          <label>Held, N <input nz-input inputmode="decimal" [formControl]="force" /></label>
          <label>for, s <input nz-input inputmode="decimal" [formControl]="seconds" /></label>
          <label>moved, mm <input nz-input inputmode="decimal" [formControl]="moved" /></label>
          <button nz-button type="submit">Keep the hold</button>
        </form>
      </details>
    }
    @if (retention(); as wanted) {
      <details [open]="lot() !== null">
        <summary>
          Contacts in their cavities
          <span class="soft">
            · {{ cavities().length }} of {{ total() }} pushed{{
              remaining().length ? ', left: ' + remaining().join(' ') : ''
            }}
          </span>
        </summary>
        @for (c of cavities(); track c.cavity) {
          <p><tm-mark [state]="c.state" /> Cavity {{ c.cavity }}: {{ c.text }}</p>
        }
        <form (submit)="keepPush($event)" novalidate>
          <label>Cavities <input nz-input inputmode="numeric" [formControl]="cavityCount" /></label>
          <label>Cavity <input nz-input [formControl]="cavity" [placeholder]="remaining()[0] ?? ''" /></label>
          <tm-tick [(value)]="clicked">clicked home</tm-tick>
          @if (wanted.secondaryLock) {
            <tm-tick [(value)]="locked">lock went home</tm-tick>
          }
          <label>Pushed, N <input nz-input inputmode="decimal" [formControl]="push" /></label>
          <tm-tick [(value)]="stayed">stayed</tm-tick>
          <label class="wide">Note <input nz-input maxlength="500" [formControl]="note" /></label>
          <button nz-button type="submit">Keep cavity</button>
        </form>
        <p class="soft">
          {{
            wanted.force === null
              ? 'The limit table names no push for this contact, and none is borrowed from another: what is kept here cannot be judged by force.'
              : 'Each has to stay at ' + wanted.force + ' N.'
          }}
        </p>
      </details>
    }
    @if (mating(); as sheet) {
      <p>
        <a
          [routerLink]="['/bench', hand.view()?.combination?.id, 'mating']"
          [queryParams]="lot() === null ? {} : { lot: lot() }"
        >
          Pairs with {{ sheet.counterpart }}, over their cycles
        </a>
      </p>
    }
    @if (message()) {
      <tm-notice kind="bad">{{ message() }}</tm-notice>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    summary {
      align-content: center;
      cursor: pointer;
      font-weight: 600;
      min-height: 44px;
    }
    .soft {
      font-weight: 400;
    }
    form {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      margin: 8px 0;
    }
    label {
      display: grid;
      font-size: 14px;
      width: 86px;
    }
    label.wide {
      width: 200px;
    }
    input,
    button {
      min-height: 44px;
    }
  `,
})
export class KeptTests {
  /** The lot the pieces are of; null: samples of the set-up. */
  readonly lot = input<number | null>(null);
  protected readonly hand = inject(Hand);
  protected readonly mating = computed(() => this.hand.setUp()?.mating ?? null);
  protected readonly least = (force: number) => showLimit(force, 1);
  /** Left empty it is the next one that is whole. */
  protected readonly piece = typedText();
  protected readonly force = typedText();
  protected readonly seconds = typedText();
  protected readonly moved = typedText('0');
  protected readonly cavityCount = typedText('4');
  protected readonly total = toSignal(this.cavityCount.valueChanges, { initialValue: '4' });
  /** Left empty it is the next one that is due. */
  protected readonly cavity = typedText();
  protected readonly clicked = signal(true);
  protected readonly locked = signal(true);
  protected readonly stayed = signal(true);
  protected readonly push = typedText();
  protected readonly note = typedText();
  protected readonly message = signal('');

  private readonly held = computed(() => {
    const [setUp, lot] = [this.hand.setUp(), this.lot()];
    const found = lot === null ? null : setUp?.lots.get(lot)?.[0]?.limit;
    return (found && setUp ? findHold(found, setUp.breaks) : setUp?.hold) ?? null;
  });
  protected readonly hold = computed(() => this.held()?.hold ?? null);
  protected readonly holdNote = computed(() => this.held()?.reason.text ?? '');
  /** The first piece that is neither pulled apart nor held already. */
  protected readonly holdPiece = computed(() => {
    const gone = new Set([...this.of('reading'), ...this.of('hold')].map((e) => e.body.piece));
    let piece = 1;
    while (gone.has(piece)) piece++;
    return piece;
  });
  protected readonly retention = computed(() => this.hand.setUp()?.retention ?? null);
  private of<K extends 'hold' | 'retention' | 'reading'>(kind: K) {
    const lot = this.lot();
    return lot === null ? this.hand.of(kind) : this.hand.ofLot(lot, kind);
  }
  protected readonly holds = computed(() =>
    this.of('hold').map(({ body }) => {
      const { verdict, reason } = judgeHold(body, this.hold());
      return {
        piece: body.piece,
        text: reason.text,
        state: ({ holds: 'pass', below: 'fail', 'no-limit': 'hold' } as const)[verdict],
      };
    }),
  );
  protected readonly cavities = computed(() =>
    this.of('retention').map(({ body }) => {
      const { verdict, reason } = judgeRetention(body, this.retention()?.force ?? null);
      const state = ({ stays: 'pass', loose: 'fail', open: 'hold' } as const)[verdict];
      return { cavity: body.cavity, text: reason.text, state };
    }),
  );
  protected readonly remaining = computed(() => {
    const done = new Set(this.cavities().map((c) => c.cavity));
    const count = Math.min(200, Math.max(0, Math.floor(Number(this.total())) || 0));
    return Array.from({ length: count }, (_, i) => String(i + 1)).filter((c) => !done.has(c));
  });

  protected keepHold(event: Event): void {
    event.preventDefault();
    const [force, seconds, moved] = [
      plainNumber(this.force.value),
      plainNumber(this.seconds.value),
      plainNumber(this.moved.value),
    ];
    const piece = this.piece.value.trim() === '' ? this.holdPiece() : plainNumber(this.piece.value);
    if (force === null || seconds === null || moved === null || piece === null) {
      this.message.set('Piece, force, time and movement are numbers.');
      return;
    }
    this.put(
      {
        kind: 'hold',
        ...{ piece, force, seconds, moved },
        note: '',
      },
      () => {
        this.piece.setValue('');
        this.force.setValue('');
        this.seconds.setValue('');
        this.moved.setValue('0');
      },
    );
  }

  protected keepPush(event: Event): void {
    event.preventDefault();
    const cavity = this.cavity.value.trim() || (this.remaining()[0] ?? '');
    const force = this.push.value.trim() === '' ? null : plainNumber(this.push.value);
    if (this.push.value.trim() !== '' && force === null) {
      this.message.set('The push is a number, or left out.');
      return;
    }
    const locked = this.retention()?.secondaryLock ? this.locked() : null;
    const seen = {
      clicked: this.clicked(),
      locked,
      force: force ?? null,
      stayed: this.stayed(),
      note: this.note.value,
    };
    this.put({ kind: 'retention', piece: 1, cavity, ...seen }, () => {
      this.cavity.setValue('');
      this.note.setValue('');
    });
  }

  private put(body: Extract<EntryBody, { kind: 'hold' | 'retention' }>, done: () => void): void {
    const lot = this.lot();
    const refusal = this.hand.put({ ...body, ...(lot !== null && { lot }) });
    this.message.set(refusal?.text ?? '');
    if (!refusal) done();
  }
}
