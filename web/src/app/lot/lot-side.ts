import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { findHold } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { plainNumber } from '../parts/plain-number';
import { typedText } from '../parts/zod-form';
import { LotWork } from './lot-work';

/** The lot's own column: what is made, counted on by a press; what interrupts it; and where everything else of it is. */
@Component({
  selector: 'tm-lot-side',
  imports: [ReactiveFormsModule, RouterLink, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (work.head(); as head) {
      @if (hand.view(); as view) {
        <div class="what">
          <h2>{{ head.name }}</h2>
          <p class="figures">{{ view.terminal.part }} on {{ view.wire.label }}</p>
          <p class="soft">{{ view.combination.list }} · {{ tool() }}</p>
        </div>
        <div class="made" role="group" aria-label="Made so far">
          <p class="soft">Made so far</p>
          <p class="figures">
            <strong>{{ head.made }}</strong> of {{ head.pieces }}
          </p>
          <div class="row">
            <button nz-button type="button" aria-label="One more is made" (click)="add(1)">+1</button>
            <button nz-button type="button" aria-label="Ten more are made" (click)="add(10)">+10</button>
            <button
              nz-button
              type="button"
              aria-label="Type how many are made"
              [attr.aria-expanded]="isTyping()"
              (click)="type()"
            >
              <kbd>M</kbd>
            </button>
          </div>
          @if (isTyping()) {
            <form (submit)="count($event)" novalidate>
              <label for="made" class="out-of-sight">The last piece made is number</label>
              <input
                nz-input
                id="made"
                class="figures"
                inputmode="numeric"
                autocomplete="off"
                placeholder="last piece"
                [formControl]="made"
              />
              <button nz-button type="submit">Count</button>
            </form>
          }
          @if (recount() !== null) {
            <form class="notice" (submit)="keepRecount($event)">
              <label for="recount-why">What was wrong with the last count? It stays on record.</label>
              <input nz-input id="recount-why" maxlength="500" [formControl]="why" />
              <button nz-button type="submit">Correct the last count to {{ recount() }}</button>
            </form>
          }
        </div>
        <div class="acts">
          <button
            nz-button
            type="button"
            [attr.aria-expanded]="work.panel() === 'change'"
            (click)="work.open('change')"
          >
            Something was changed <kbd>H</kbd>
          </button>
          <button nz-button type="button" (click)="work.pause()">
            {{ head.state === 'paused' ? 'Resume' : 'Pause' }} <kbd>P</kbd>
          </button>
        </div>
        <nav aria-label="Of this lot">
          <a [routerLink]="['/bench', view.combination.id, 'match']">The set-up’s stages</a>
          <a [routerLink]="['/sheets', view.combination.id]">Set-up sheet</a>
          <a routerLink="/charts" [queryParams]="{ asked: 'combination', of: view.combination.id }">Chart</a>
          <a [routerLink]="['/curves', view.combination.id, head.lot]">Curves of this lot</a>
          <button class="link" type="button" (click)="work.open('another')">Check another piece</button>
          <button class="link" type="button" (click)="work.open('plan')">Quantity and plan</button>
          <button class="link" type="button" (click)="work.open('file')">Pulls from a file</button>
          @if (hasKept()) {
            <button class="link" type="button" (click)="work.open('kept')">Holds, cavities, pairs</button>
          }
        </nav>
      }
    }
  `,
  styles: `
    :host {
      align-content: start;
      background: var(--paper);
      border-right: 1px solid var(--line);
      display: grid;
      gap: 18px;
      padding: 16px;
    }
    .what h2 {
      font-size: 20px;
    }
    .what .figures {
      font-weight: 600;
    }
    .what .soft {
      font-size: 14px;
    }
    .made strong {
      font-size: 52px;
      line-height: 1.05;
    }
    .row {
      display: grid;
      gap: 6px;
      grid-template-columns: 1fr 1fr 1fr;
    }
    form {
      display: grid;
      gap: 6px;
      grid-template-columns: 1fr auto;
      margin-top: 6px;
    }
    form.notice {
      grid-template-columns: minmax(0, 1fr);
    }
    form.notice button {
      height: auto;
      white-space: normal;
    }
    input {
      font-size: 18px;
    }
    .acts {
      display: grid;
      gap: 8px;
    }
    .acts button {
      align-items: center;
      display: flex;
      font-size: 15px;
      justify-content: space-between;
      padding: 0 10px;
    }
    .acts button,
    .row button,
    form button,
    input {
      min-height: 44px;
    }
    nav {
      border-top: 1px solid var(--line);
      display: grid;
      justify-items: start;
      padding-top: 8px;
    }
    nav a,
    nav button {
      line-height: 34px;
    }
    @media (pointer: coarse) {
      nav a,
      nav button {
        line-height: 44px;
      }
    }
  `,
})
export class LotSide {
  protected readonly hand = inject(Hand);
  protected readonly work = inject(LotWork);
  protected readonly isTyping = signal(false);
  protected readonly made = typedText();
  protected readonly why = typedText();
  /** A count lower than the one before: it corrects that one, with its reason. */
  protected readonly recount = signal<number | null>(null);
  /** Something of this lot is held, pushed or put together. */
  protected readonly hasKept = computed(() => {
    const [setUp, head] = [this.hand.setUp(), this.work.head()];
    const limit = head && setUp?.lots.get(head.lot)?.[0]?.limit;
    return Boolean(setUp?.retention ?? setUp?.mating) || Boolean(limit && findHold(limit, setUp?.breaks ?? 0).hold);
  });
  protected readonly tool = computed(() => {
    const stands = this.work.head()?.tools.at(-1)?.stands;
    return stands ? `${stands.tool}, die ${stands.die}, nest ${stands.nest}` : '';
  });

  protected add(more: number): void {
    const head = this.work.head();
    if (head) this.work.count(Math.min(head.pieces, head.made + more));
  }

  /** Opens the field for the number of the last piece made. */
  type(): void {
    this.isTyping.set(true);
    setTimeout(() => document.getElementById('made')?.focus());
  }

  protected count(event: Event): void {
    event.preventDefault();
    const made = plainNumber(this.made.value);
    const head = this.work.head();
    if (!head) return;
    if (made === null || !Number.isInteger(made)) {
      this.work.say('Count pieces in whole numbers: the number of the last piece made, counted from 1.');
      return;
    }
    const counted = head.steps.at(-1)?.made ?? 0;
    if (this.work.count(made)) this.close();
    else this.recount.set(made < counted ? made : null);
  }

  protected keepRecount(event: Event): void {
    event.preventDefault();
    const made = this.recount();
    if (made !== null && this.work.recount(made, this.why.value)) this.close();
  }

  private close(): void {
    this.made.reset();
    this.why.reset();
    this.recount.set(null);
    this.isTyping.set(false);
  }
}
