import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  CAUSES,
  diagnose,
  evidenceFrom,
  evidenceTitle,
  faultsBeyond,
  findingsOf,
  howSureCauseText,
  writeEvidence,
  type ConfirmedCase,
  type Evidence,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Api } from '../http/api';
import { count } from '../parts/count';
import { Tick } from '../parts/tick';
import { typedText } from '../parts/zod-form';
import { Keys } from '../shell/keys';
import { CauseList } from './cause-list';
import { Notice } from '../parts/notice';

/** Causes shown; the others are too unlikely to help. */
const SHOWN = 5;

/** What is behind bad pieces: ranked causes, what speaks for each, the check that tells the first two apart. */
@Component({
  selector: 'tm-cause-stage',
  imports: [Notice, ReactiveFormsModule, RouterLink, NzButtonModule, NzInputModule, CauseList, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h1>{{ headline() }}</h1>
      <p class="why">{{ why() }}</p>
    </div>
    @if (diagnosis(); as d) {
      @if (d.next; as next) {
        <section class="next" aria-labelledby="next-head">
          <h2 id="next-head">Next check: {{ next.evidence.check }}</h2>
          <p>
            If it shows, it is rather '{{ next.speaksFor.title.toLowerCase() }}' than '{{
              (next.speaksFor.code === next.between[0].code ? next.between[1] : next.between[0]).title.toLowerCase()
            }}'.
          </p>
          <p class="acts">
            <button nz-button class="bench-button" type="button" (click)="say(next.evidence.code, true)">
              <kbd>Y</kbd> It shows
            </button>
            <button nz-button class="bench-button" type="button" (click)="say(next.evidence.code, false)">
              <kbd>N</kbd> It does not
            </button>
          </p>
        </section>
      }
      <tm-cause-list [causes]="shown()" (confirm)="confirming.set($event)" />
      @if (confirming(); as code) {
        <form class="notice" (submit)="confirm($event)">
          <label for="cause-note">
            '{{ titleOf(code) }}' is confirmed once it was put right and pieces are good again. What was done?
          </label>
          <input nz-input id="cause-note" maxlength="500" [formControl]="note" />
          <button nz-button nzType="primary" class="bench-button" type="submit">Put it on record</button>
          <button nz-button class="bench-button" type="button" (click)="confirming.set(null)">Leave it</button>
        </form>
      }
      <p class="soft">
        Rests on {{ evidence().size }} signs from this {{ lot() ? 'lot' : 'set-up' }} and
        {{ d.cases === 0 ? 'no confirmed case of this shop yet' : count(d.cases, 'confirmed case') + ' of this shop' }};
        the rest is the trade’s rules of thumb. It ranks, it does not prove: the check does. {{ howSure }}
      </p>
    }
    @for (kept of confirmed(); track kept.id) {
      <tm-notice kind="good">
        {{ titleOf(kept.body.cause) }}: confirmed by {{ kept.by }}.
        {{ kept.body.note }}
      </tm-notice>
    }
    @if (refusal()) {
      <tm-notice kind="bad">{{ refusal() }}</tm-notice>
    }
    <div class="foot">
      <a nz-button [routerLink]="['/bench', hand.view()?.combination?.id, lot() ? 'lot' : 'look']">
        Back to {{ lot() ? 'the lot' : 'Look' }}
      </a>
      @if (lot()) {
        <tm-tick [(value)]="ofSetUp">the set-up samples instead</tm-tick>
      }
    </div>
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    .next {
      border-left: 4px solid var(--petrol);
      display: grid;
      gap: 4px;
      padding: 6px 14px;
    }
    h2 {
      font-size: 18px;
    }
    .acts {
      display: flex;
      gap: 10px;
    }
    form {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    form label {
      flex-basis: 100%;
    }
    form input {
      flex: 1;
      min-height: 46px;
      min-width: 220px;
    }
    .bench-button kbd {
      margin-right: 6px;
    }
  `,
})
export class CauseStage {
  protected readonly hand = inject(Hand);
  protected readonly count = count;
  protected readonly howSure = howSureCauseText();
  private readonly cases = signal<readonly ConfirmedCase[]>([]);
  /** What was answered here about signs nobody had looked for. */
  private readonly said = signal<Evidence>(new Map());
  protected readonly confirming = signal<string | null>(null);
  protected readonly note = typedText();
  protected readonly refusal = signal('');
  protected readonly ofSetUp = signal(false);
  protected readonly lot = computed(() => (this.ofSetUp() ? null : this.hand.lot()));
  private readonly number = computed(() => this.lot()?.head.lot ?? null);

  private readonly found = computed(() => {
    const setUp = this.hand.setUp();
    return setUp && findingsOf(setUp, this.hand.entries(), this.number(), this.hand.view()?.checks ?? []);
  });
  protected readonly evidence = computed<Evidence>(() => {
    const found = this.found();
    return new Map([...(found ? evidenceFrom(found) : []), ...this.said()]);
  });
  /** Faults this very combination cannot show. */
  private readonly impossible = computed(() => faultsBeyond(this.hand.setUp()?.look));
  protected readonly diagnosis = computed(() => diagnose(this.evidence(), this.cases(), this.impossible()));
  protected readonly shown = computed(() =>
    (this.diagnosis()?.ranked ?? []).slice(0, SHOWN).filter((r, i) => i < 3 || r.share > 0.02),
  );
  protected readonly confirmed = computed(() => {
    const lot = this.number();
    return lot === null ? this.hand.of('cause') : this.hand.ofLot(lot, 'cause');
  });
  protected readonly headline = computed(() => {
    const found = this.diagnosis();
    const [first, second] = found?.ranked ?? [];
    if (!first) return 'Nothing is bad, so there is no cause to look for.';
    if (found?.isSure) return `Most likely: ${first.cause.title.toLowerCase()}.`;
    return `${first.cause.title}, or ${second?.cause.title.toLowerCase() ?? 'another cause'}: one check tells.`;
  });
  protected readonly why = computed(() => {
    const bad = [...this.evidence()].filter(([, shows]) => shows).map(([code]) => evidenceTitle(code).toLowerCase());
    return bad.length ? `Seen: ${bad.join(', ')}.` : 'Look at pieces and pull them; what is found shows here.';
  });

  constructor() {
    void inject(Api)
      .causes()
      .then((cases) => {
        this.cases.set(cases);
      })
      .catch(() => undefined);
    inject(Keys).use(
      [
        { key: 'Y', does: 'the sign asked for shows' },
        { key: 'N', does: 'it does not show' },
        { key: '1-5', does: 'confirm this cause' },
      ],
      (key) => this.handle(key),
    );
  }

  private handle(key: string): boolean {
    const next = this.diagnosis()?.next;
    const cause = this.shown()[Number(key) - 1];
    if (key.toLowerCase() === 'y' && next) this.say(next.evidence.code, true);
    else if (key.toLowerCase() === 'n' && next) this.say(next.evidence.code, false);
    else if (cause) {
      this.confirming.set(cause.cause.code);
      setTimeout(() => document.getElementById('cause-note')?.focus());
    } else return false;
    return true;
  }

  protected titleOf(code: string): string {
    return CAUSES.find((c) => c.code === code)?.title ?? code;
  }

  protected say(code: string, shows: boolean): void {
    this.said.update((said) => new Map([...said, [code, shows]]));
  }

  protected confirm(event: Event): void {
    event.preventDefault();
    const cause = this.confirming();
    if (!cause) return;
    const lot = this.number();
    const refusal = this.hand.put({
      kind: 'cause',
      ...(lot === null ? {} : { lot }),
      step: this.confirmed().length + 1,
      cause,
      evidence: writeEvidence(this.evidence()),
      note: this.note.value.trim(),
    });
    this.refusal.set(refusal?.text ?? '');
    if (refusal) return;
    this.confirming.set(null);
    this.note.setValue('');
  }
}
