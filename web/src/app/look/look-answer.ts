import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FormsModule, ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { isCaliperOnly, type Finding } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { DeviceField } from '../parts/device-field';
import { LookWork } from './look-work';
import { Notice } from '../parts/notice';
import { typedText } from '../parts/zod-form';

export const ANSWERS: readonly { finding: Finding; key: string; word: string }[] = [
  { finding: 'accept', key: '1', word: 'As drawn' },
  { finding: 'rework', key: '2', word: 'Rework' },
  { finding: 'reject', key: '3', word: 'Reject' },
  { finding: 'note', key: '4', word: 'Note' },
];

/** What the point in hand is answered with: as drawn or not, which fault, its number, and why it is another one now. */
@Component({
  selector: 'tm-look-answer',
  imports: [FormsModule, ReactiveFormsModule, Notice, DeviceField, RouterLink, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="foot">
      @if (work.change(); as wanted) {
        <form class="notice" (submit)="correct($event)">
          <label for="why-finding">
            It is on record as {{ wanted.standing }}. Why is it {{ wanted.now }} now? The first one stays on record.
          </label>
          <input nz-input id="why-finding" [formControl]="why" maxlength="500" />
          <button nz-button nzType="primary" class="bench-button" type="submit">Correct it</button>
          <button nz-button class="bench-button" type="button" (click)="work.set({ change: null })">Leave it</button>
        </form>
      } @else if (work.asking(); as finding) {
        <form class="ask" (submit)="noted($event)">
          <p>
            <strong>{{ word(finding) }}: which fault?</strong>
            @for (fault of work.faults(); track fault.code; let i = $index) {
              <button nz-button class="bench-button" type="button" (click)="work.name(fault.code)">
                <kbd>{{ i + 1 }}</kbd> {{ fault.title }}
              </button>
            }
            <button nz-button class="bench-button" type="submit"><kbd>Enter</kbd> none of these</button>
            <button nz-button class="bench-button" type="button" (click)="work.set({ asking: null })">
              <kbd>Esc</kbd> Leave it
            </button>
          </p>
          <div class="field note">
            <label for="look-note">{{ finding === 'note' ? 'What has moved?' : 'Note' }} <kbd>N</kbd></label>
            <input
              nz-input
              id="look-note"
              maxlength="500"
              name="note"
              [ngModel]="work.note()"
              (ngModelChange)="work.set({ note: $event })"
            />
          </div>
        </form>
      } @else if (work.current(); as criterion) {
        @if (work.offersWhole()) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="work.allAsDrawn()">
            {{
              work.named() ? 'The rest of piece ' + work.piece() + ' as drawn' : 'Piece ' + work.piece() + ' as drawn'
            }}
            <kbd>A</kbd>
          </button>
        }
        @if (!caliperOnly(criterion)) {
          @for (answer of answers; track answer.key) {
            @if (criterion.findings.includes(answer.finding)) {
              <button
                nz-button
                [nzType]="answer.finding === 'accept' && !work.offersWhole() && !work.done() ? 'primary' : 'default'"
                class="bench-button"
                type="button"
                (click)="work.find(answer.finding)"
              >
                {{ work.offersWhole() && answer.finding === 'accept' ? 'This point as drawn' : answer.word }}
                <kbd>{{ answer.key }}</kbd>
              </button>
            }
          }
        }
        @if (criterion.number; as number) {
          <form class="measure" (submit)="measured($event)">
            <label for="measured">
              {{ number.what }}, {{ number.unit === 'mm' ? 'mm or in' : number.unit }} <kbd>M</kbd>
            </label>
            <input
              nz-input
              id="measured"
              tmDevice
              inputmode="decimal"
              autocomplete="off"
              name="measured"
              [ngModel]="work.typed()"
              (ngModelChange)="work.set({ typed: $event })"
              (keydown)="leaveMeasure($event)"
            />
            <button nz-button class="bench-button" type="submit">Keep</button>
          </form>
        }
        <span class="keys"><kbd>↑</kbd> <kbd>↓</kbd> points <kbd>←</kbd> <kbd>→</kbd> pieces</span>
      }
      @if (work.advice(); as text) {
        <tm-notice>
          {{ text }}
          <a [routerLink]="['/heights', hand.view()?.combination?.id]">Heights and pulls</a>
        </tm-notice>
      }
      @if (work.bad()) {
        <a nz-button [routerLink]="['/bench', hand.view()?.combination?.id, 'cause']">What caused it?</a>
      }
      @if (work.done()) {
        <button nz-button nzType="primary" class="bench-button" type="button" (click)="next()">Go on to Tug</button>
      }
      @if (work.refusal()) {
        <tm-notice kind="bad">{{ work.refusal() }}</tm-notice>
      }
    </div>
  `,
  styleUrls: ['../parts/stage.less', './look-answer.less'],
})
export class LookAnswer {
  protected readonly work = inject(LookWork);
  protected readonly hand = inject(Hand);
  private readonly router = inject(Router);
  protected readonly why = typedText();
  protected readonly answers = ANSWERS;
  protected readonly caliperOnly = isCaliperOnly;

  protected word(finding: Finding): string {
    return ANSWERS.find((answer) => answer.finding === finding)?.word ?? '';
  }

  /** A key of the page that answers; false when it is none. */
  handle(key: string): boolean {
    const { work } = this;
    const answer = ANSWERS.find((a) => a.key === key);
    const low = key.toLowerCase();
    if (work.asking()) return this.handleAsking(key);
    if (answer) this.answer(answer);
    else if (low === 'm') document.getElementById('measured')?.focus();
    else if (low === 'a' && work.offersWhole()) work.allAsDrawn();
    else if (key === 'Enter' && work.done()) this.next();
    else return false;
    return true;
  }

  private answer({ finding, word }: (typeof ANSWERS)[number]): void {
    const criterion = this.work.current();
    if (criterion?.findings.includes(finding)) {
      this.work.find(finding);
      return;
    }
    const can = ANSWERS.filter((a) => criterion?.findings.includes(a.finding));
    const other = can.map((a) => `${a.word.toLowerCase()} (${a.key})`).join(', ');
    this.work.refuse(`'${criterion?.title}' cannot be '${word.toLowerCase()}' here: ${other}.`);
  }

  /** While a fault is being named, digits are faults. */
  private handleAsking(key: string): boolean {
    const fault = /^[1-9]$/.test(key) ? this.work.faults()[Number(key) - 1] : undefined;
    if (fault) this.work.name(fault.code);
    else if (key === 'Enter') this.work.name(null);
    else if (key === 'Escape') this.work.set({ asking: null });
    else if (key.toLowerCase() === 'n') document.getElementById('look-note')?.focus();
    else return false;
    return true;
  }

  protected noted(event: Event): void {
    event.preventDefault();
    this.work.name(null);
  }

  protected measured(event: Event): void {
    event.preventDefault();
    this.work.measured();
  }

  protected correct(event: Event): void {
    event.preventDefault();
    this.work.correct(this.why.value);
    this.why.setValue('');
  }

  /** An empty field left with Escape or an arrow gives the keys back to the points. */
  protected leaveMeasure(event: KeyboardEvent): void {
    const by = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (event.key !== 'Escape' && (this.work.typed().trim() || !by)) return;
    event.preventDefault();
    (event.target as HTMLElement).blur();
    if (by) this.step(by);
  }

  /** To the next point of the piece, or the one before. */
  step(by: 1 | -1): void {
    const { work } = this;
    work.go(work.piece(), Math.min(work.criteria().length - 1, Math.max(0, work.point() + by)));
  }

  protected next(): void {
    void this.router.navigate(['/bench', this.hand.view()?.combination.id, 'tug']);
  }
}
