import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { asDrawn, type LookContext } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Hand } from '../hand/hand';
import { LotMeasure } from '../look/lot-measure';
import { PieceView } from '../look/piece-view';
import { Mark } from '../parts/mark';
import { PullStore } from '../tug/pull/pull-store';
import { PullField } from '../tug/pull/pull-field';
import { BracketLine } from './bracket-line';
import { LotWork } from './lot-work';

/** The one task in hand, with its one main button: look at a piece, measure it, pull it, go on making, or stop. */
@Component({
  selector: 'tm-lot-card',
  imports: [RouterLink, NzButtonModule, BracketLine, LotMeasure, Mark, PieceView, PullField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (work.task(); as task) {
      @if (task.code === 'bracket' && work.lot()?.bracket; as bracket) {
        <tm-bracket-line [bracket]="bracket" />
      }
      @if (task.piece; as piece) {
        <ol class="steps" [attr.aria-label]="'Check of piece ' + piece">
          <li>
            <tm-mark
              [state]="
                work.check()?.look === 'accepted' ? 'pass' : work.check()?.look === 'rejected' ? 'fail' : 'missing'
              "
              [size]="18"
            />
            <strong>Look</strong> {{ seen() }}
          </li>
          <li>
            <tm-mark
              [state]="
                work.check()?.tug === 'holds'
                  ? 'pass'
                  : work.check()?.tug === 'below'
                    ? 'fail'
                    : work.isPulled()
                      ? 'hold'
                      : 'missing'
              "
              [size]="18"
            />
            <strong>Tug</strong> {{ work.isPulled() ? '' : 'not pulled yet' }}
            @if (pulls() > 1) {
              {{ hand.setUp()?.other ? 'pull' : 'wire' }} {{ work.wire() }} of {{ pulls() }}
            }
          </li>
          @if (measurable()) {
            <li><button class="link" type="button" (click)="work.open('measure')">Measure it (K)</button></li>
          }
        </ol>
      }
      @switch (work.step()) {
        @case ('look') {
          @if (drawn(); as look) {
            <div class="drawn">
              <tm-piece-view
                [look]="look"
                [piece]="sound()!"
                view="from the side"
                [width]="330"
                said="As drawn, from the side"
              />
              <tm-piece-view [look]="look" [piece]="sound()!" view="end on" said="As drawn, end on" />
            </div>
          }
          <div class="acts">
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="work.asDrawn()">
              As drawn <kbd>A</kbd>
            </button>
            <button nz-button class="bench-button" type="button" (click)="work.open('differs')">
              Not as drawn <kbd>X</kbd>
            </button>
            @if (!work.isPulled()) {
              <button class="link" type="button" (click)="work.pullUnseen()">Pull it without a look</button>
            }
          </div>
        }
        @case ('measure') {
          <tm-lot-measure [piece]="task.piece!" [lot]="work.head()!.lot" />
        }
        @case ('tug') {
          @if (!entry.question()) {
            <tm-pull-field />
          }
        }
        @default {
          <div class="acts">
            @switch (task.code) {
              @case ('make') {
                <button nz-button nzType="primary" class="bench-button" type="button" (click)="work.count(task.upTo!)">
                  {{ task.upTo === head()?.pieces ? 'The last piece is made' : 'Piece ' + task.upTo + ' is made' }}
                </button>
              }
              @case ('stop') {
                <button nz-button nzType="primary" class="bench-button" type="button" (click)="work.open('change')">
                  It was put right <kbd>H</kbd>
                </button>
              }
              @case ('set-up') {
                <a nz-button nzType="primary" class="bench-button" [routerLink]="reopened()" [queryParams]="again()">
                  {{ hand.step()?.text }}
                </a>
              }
              @case ('resume') {
                <button nz-button nzType="primary" class="bench-button" type="button" (click)="work.pause()">
                  Resume <kbd>P</kbd>
                </button>
              }
              @case ('finish') {
                <button nz-button nzType="primary" class="bench-button" type="button" (click)="work.finish()">
                  Finish lot {{ head()?.name }} <kbd>F</kbd>
                </button>
              }
              @case ('decide') {
                @if (work.suspects().length) {
                  <button nz-button nzType="primary" class="bench-button" type="button" (click)="work.open('decide')">
                    {{ decide() }} <kbd>D</kbd>
                  </button>
                }
              }
            }
          </div>
        }
      }
      @if (ways()) {
        <div class="acts ways" role="group" aria-label="Other ways on">
          @if (work.suspects().length && task.code !== 'decide') {
            <button nz-button class="bench-button" type="button" (click)="work.open('decide')">
              {{ decide() }} <kbd>D</kbd>
            </button>
          }
          @if (task.alarm && task.code !== 'stop') {
            <button nz-button class="bench-button" type="button" (click)="work.open('change')">
              It was put right <kbd>H</kbd>
            </button>
          }
          <a nz-button class="bench-button" [routerLink]="['/bench', hand.view()?.combination?.id, 'cause']"
            >What caused it?</a
          >
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px;
      grid-template-columns: minmax(0, 1fr);
    }
    .steps {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 28px;
    }
    .steps li {
      align-items: center;
      display: flex;
      gap: 7px;
    }
    .drawn {
      align-items: center;
      display: grid;
      gap: 12px;
      grid-template-columns: minmax(0, 3fr) minmax(0, 1fr);
      max-width: 600px;
    }
    .acts {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 10px 14px;
    }
    .ways {
      border-top: 1px solid var(--line);
      padding-top: 12px;
    }
    .link {
      min-height: 44px;
    }
    tm-pull-field {
      justify-self: start;
    }
    @media (max-width: 620px) {
      .drawn {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class LotCard {
  protected readonly work = inject(LotWork);
  protected readonly hand = inject(Hand);
  protected readonly entry = inject(PullStore);
  protected readonly head = this.work.head;
  protected readonly pulls = computed(() => this.work.pulls().length);
  protected readonly drawn = computed<LookContext | null>(() => this.hand.setUp()?.look ?? null);
  protected readonly sound = computed(() => {
    const look = this.drawn();
    return look && asDrawn(look);
  });
  protected readonly seen = computed(() => {
    const check = this.work.check();
    if (check?.look === 'accepted') return 'every point as drawn';
    if (check?.look === 'rejected') return 'rejected';
    return check?.isSeen ? 'as drawn, a number is still to be measured' : 'every point of the drawing';
  });
  /** Whether a number of the piece in hand can still be measured, asked for or not. */
  protected readonly measurable = computed(() => {
    const lot = this.head()?.lot;
    if (this.work.isPulled() || this.work.step() === 'measure') return false;
    const points = lot === undefined ? [] : (this.hand.setUp()?.lotCriteria.get(lot) ?? []);
    return points.some((c) => c.number && c.view !== 'section');
  });
  /** Where the set-up is taken up again after a changed tool, and whether it has still to be begun. */
  protected readonly reopened = computed(() => [
    '/bench',
    this.hand.view()?.combination.id,
    this.hand.step()?.to ?? 'release',
  ]);
  protected readonly again = computed(() => (this.hand.of('release').length ? { again: 1 } : {}));
  /** Whether something is held back, so that there are other ways on than the task. */
  protected readonly ways = computed(() => this.work.suspects().length > 0 || this.work.task()?.alarm != null);
  protected readonly decide = computed(() => {
    const spans = this.work.suspects();
    const [first] = spans;
    const last = spans.at(-1);
    if (!first || !last) return '';
    return first.from === last.to ? `Decide about piece ${first.from}` : `Decide about ${first.from} to ${last.to}`;
  });
}
