import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { CHANGES, changeName, lotNumbers, plannedPulls, planRisk, readLot, type LotChange } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { plainNumber } from '../parts/plain-number';
import { valueOf } from '../parts/value-of';

/** Opens a lot, or changes its quantity and plan: how many pieces, when they are checked, and what those checks cannot tell. */
@Component({
  selector: 'tm-lot-open',
  imports: [NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="keep($event)" novalidate>
      <div class="fields">
        <label>
          Lot number
          <input
            nz-input
            id="lot-name"
            maxlength="40"
            [value]="name()"
            (input)="name.set(value($event))"
            autocomplete="off"
          />
        </label>
        <label>
          Pieces to make
          <input nz-input id="lot-pieces" inputmode="numeric" [value]="pieces()" (input)="pieces.set(value($event))" />
        </label>
        <label>
          Check every ... pieces
          <input nz-input id="lot-every" inputmode="numeric" [value]="every()" (input)="every.set(value($event))" />
        </label>
        <label>
          and every ... hours
          <input
            nz-input
            id="lot-hours"
            inputmode="decimal"
            placeholder="none"
            [value]="hours()"
            (input)="hours.set(value($event))"
          />
        </label>
      </div>
      <fieldset>
        <legend>Check the next piece after</legend>
        @for (change of changes; track change) {
          <label class="tick">
            <input type="checkbox" [checked]="after().includes(change)" (change)="turn(change)" />
            {{ nameOf(change) }}
          </label>
        }
        <label class="tick">
          <input type="checkbox" [checked]="bothSides()" (change)="bothSides.set(!bothSides())" />
          and the last piece before it
        </label>
      </fieldset>
      @if (risk(); as r) {
        <section class="risk" aria-label="What this plan can tell">
          <p>
            <strong>{{ r.text }}</strong>
          </p>
          <p class="soft">
            A fault that begins and stays is found by the check after it: at most {{ everyPieces() ?? count() }} pieces
            are suspect then. {{ spent() }} of {{ count() }} pieces are pulled and spent;
            {{ (count() ?? 0) - spent() }} are left to deliver.
          </p>
          <p class="ask">
            A lot with
            <label class="out-of-sight" for="risk-share">Percent bad</label>
            <input nz-input id="risk-share" inputmode="decimal" [value]="share()" (input)="share.set(value($event))" />
            % bad may pass
            <label class="out-of-sight" for="risk-times">Times in 100</label>
            <input nz-input id="risk-times" inputmode="decimal" [value]="times()" (input)="times.set(value($event))" />
            times in 100: that takes <strong>{{ r.needed }}</strong> pulls.
          </p>
        </section>
      }
      @if (correcting()) {
        <label class="wide">
          Why is it changed? The first entry stays on record.
          <input nz-input id="lot-why" maxlength="500" [value]="why()" (input)="why.set(value($event))" />
        </label>
      }
      @if (message()) {
        <p class="notice bad" role="alert">{{ message() }}</p>
      }
      <button nz-button nzType="primary" class="bench-button" type="submit">
        {{ correcting() ? 'Keep quantity and plan' : 'Open lot ' + name() }}
      </button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 14px;
      justify-items: start;
    }
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 12px 18px;
    }
    .fields label {
      display: grid;
      width: 170px;
    }
    input:not([type]) {
      min-height: 44px;
    }
    fieldset {
      border: 0;
      display: flex;
      flex-wrap: wrap;
      gap: 4px 20px;
      margin: 0;
      padding: 0;
    }
    legend {
      font-size: 15px;
      padding: 0;
    }
    .tick {
      align-items: center;
      display: flex;
      gap: 8px;
      min-height: 40px;
    }
    .tick input {
      height: 24px;
      width: 24px;
    }
    .risk {
      border-left: 4px solid var(--copper);
      display: grid;
      gap: 4px;
      max-width: 860px;
      padding-left: 14px;
    }
    .ask input {
      display: inline-block;
      margin: 0 4px;
      min-height: 36px;
      text-align: right;
      width: 62px;
    }
    .wide {
      width: min(620px, 100%);
    }
  `,
})
export class LotOpen {
  /** Number of the lot whose quantity or plan is corrected; null opens the next one. */
  readonly correcting = input<number | null>(null);
  protected readonly hand = inject(Hand);
  protected readonly value = valueOf;
  protected readonly nameOf = changeName;
  protected readonly changes = CHANGES.filter((change) => change !== 'repair');
  protected readonly name = signal('');
  protected readonly pieces = signal('');
  protected readonly every = signal('50');
  protected readonly hours = signal('');
  protected readonly after = signal<readonly LotChange[]>(['wire-reel', 'terminal-reel', 'die', 'setting', 'person']);
  protected readonly bothSides = signal(false);
  protected readonly share = signal('2');
  protected readonly times = signal('10');
  protected readonly why = signal('');
  protected readonly message = signal('');

  protected readonly count = computed(() => whole(this.pieces()));
  protected readonly everyPieces = computed(() => whole(this.every()));
  protected readonly spent = computed(() => plannedPulls(this.count() ?? 0, { everyPieces: this.everyPieces() }));
  protected readonly risk = computed(() => {
    const count = this.count();
    const share = plainNumber(this.share());
    const times = plainNumber(this.times());
    if (!count || share === null || times === null || share <= 0 || share >= 100 || times <= 0 || times >= 100)
      return null;
    return planRisk(count, this.spent(), share / 100, times / 100);
  });

  constructor() {
    const fill = effect(() => {
      const view = this.hand.view();
      if (!view) return;
      fill.destroy();
      const lot = this.correcting();
      const head = lot === null ? null : readLot(this.hand.entries(), lot);
      if (head) {
        this.name.set(head.name);
        this.pieces.set(String(head.pieces));
        this.every.set(head.plan.everyPieces === null ? '' : String(head.plan.everyPieces));
        this.hours.set(head.plan.everyHours === null ? '' : String(head.plan.everyHours));
        this.after.set(head.plan.afterChange);
        this.bothSides.set(head.plan.bothSides);
        return;
      }
      const day = new Date().toISOString().slice(2, 10).replaceAll('-', '');
      this.name.set(`L-${day}-${this.next()}`);
      this.pieces.set(String(view.combination.pieces));
    });
  }

  private next(): number {
    return (lotNumbers(this.hand.entries()).at(-1) ?? 0) + 1;
  }

  protected turn(change: LotChange): void {
    this.after.update((list) => (list.includes(change) ? list.filter((c) => c !== change) : [...list, change]));
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const pieces = this.count();
    const hours = this.hours().trim() === '' ? null : plainNumber(this.hours());
    const every = this.every().trim() === '' ? null : this.everyPieces();
    if (!pieces) return this.message.set('Say how many pieces: a whole number.');
    if (this.every().trim() !== '' && every === null)
      return this.message.set('Check every how many pieces? A whole number, or nothing.');
    if (this.hours().trim() !== '' && hours === null)
      return this.message.set('Check every how many hours? A number, or nothing.');
    const correcting = this.correcting();
    const opened = correcting === null ? null : this.hand.ofLot(correcting, 'lot').at(-1);
    const stands = opened?.body.stands ?? this.hand.stands();
    if (!stands) return this.message.set('The set-up has no tool and limit to stand on yet.');
    const refusal = this.hand.put(
      {
        kind: 'lot',
        lot: correcting ?? this.next(),
        name: this.name().trim(),
        pieces,
        plan: { everyPieces: every, everyHours: hours, afterChange: this.after(), bothSides: this.bothSides() },
        stands,
        note: '',
      },
      opened ? { corrects: opened.id, why: this.why() } : null,
    );
    this.message.set(refusal?.text ?? '');
  }
}

const whole = (text: string) => {
  const value = plainNumber(text);
  return value !== null && Number.isInteger(value) && value > 0 ? value : null;
};
