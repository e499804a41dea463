import { ChangeDetectionStrategy, Component, computed, inject, input, signal, viewChild } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { missingSheets, ofCurrentRun, releaseThings, type ReleaseSheets } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { Mark } from '../parts/mark';
import { Reasons } from '../parts/reasons';
import { showTime } from '../parts/show-time';
import { typedText } from '../parts/zod-form';
import { sessionFeature } from '../session/session.state';
import { Keys } from '../shell/keys';
import { BeginAgain } from './begin-again';
import { newerText, releaseSteps } from './release-steps';
import { ReleaseThings } from './release-things';
import { Notice } from '../parts/notice';

/** The set-up run: one path from 'mount this' to 'released', what is done and what comes next; and quality's release. */
@Component({
  selector: 'tm-release-stage',
  imports: [
    BeginAgain,
    Notice,
    ReactiveFormsModule,
    RouterLink,
    NzButtonModule,
    NzInputModule,
    Mark,
    Reasons,
    ReleaseThings,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (hand.judgement(); as judgement) {
      <div class="head">
        <h1>{{ headline() }}</h1>
        <p class="why">{{ why() }}</p>
      </div>
      <ol>
        @for (step of steps(); track step.title; let i = $index) {
          <li [class.next]="step === next()">
            <tm-mark [state]="step.state" [size]="20" />
            <a [routerLink]="['/bench', hand.view()?.combination?.id, step.to]">{{ i + 1 }} {{ step.title }}</a>
            <span>{{ step.said }}</span>
          </li>
        }
      </ol>
      @if (hand.setUp(); as setUp) {
        <tm-release-things
          [things]="things()"
          [setUp]="setUp"
          [mayName]="mayRelease() && judgement.release.state === 'none'"
          (named)="sheets.set($event)"
        />
      }
      @if (judgement.release.state !== 'none') {
        <tm-reasons [reasons]="judgement.release.reasons" />
      }
      @if (judgement.release.state === 'released' || judgement.release.state === 'lapsed') {
        <p class="soft">
          {{ judgement.release.by }} released it {{ judgement.release.at ? time(judgement.release.at) : '' }}.
          @if (stands(); as s) {
            It stands on {{ s.tool }}, die {{ s.die }}, nest {{ s.nest }}{{ s.setting ? ', setting ' + s.setting : ''
            }}{{ s.positioner ? ', ' + s.positioner : '' }}, {{ s.limit.document }} rev {{ s.limit.revision
            }}{{ s.look ? ', looked at by ' + s.look.document + ' rev ' + s.look.revision : '' }}, terminal rev
            {{ s.revisions.terminal }}, wire rev {{ s.revisions.wire }}, house rules rev {{ s.revisions.practice }}.
          }
        </p>
      }
      @if (behind()) {
        <tm-notice>{{ behind() }}</tm-notice>
      }
      <tm-begin-again #beginning [again]="again()" />
      @if (refusal()) {
        <tm-notice kind="bad">{{ refusal() }}</tm-notice>
      }
      <div class="foot">
        @if (ready() && judgement.release.state === 'none') {
          @if (mayRelease()) {
            <div class="field note">
              <label for="release-note" class="out-of-sight">Note for the release</label>
              <input
                nz-input
                id="release-note"
                maxlength="500"
                placeholder="note for the release"
                [formControl]="note"
              />
            </div>
            <button nz-button nzType="primary" class="bench-button" type="button" (click)="release()">
              Release the set-up
            </button>
          } @else {
            <tm-notice>Releasing is for quality.</tm-notice>
          }
        }
        @if (!beginning.asking() && hand.of('tool').length) {
          <button nz-button class="bench-button" type="button" (click)="beginning.ask()">Begin the set-up again</button>
        }
        <a class="sheet" [routerLink]="['/sheets', hand.view()?.combination?.id]">Set-up sheet</a>
        <a class="sheet" routerLink="/shop/house-rules" [queryParams]="{ with: hand.view()?.combination?.id }"
          >Compare house rules</a
        >
        @if (next() || mayRelease()) {
          <span class="keys"><kbd>Enter</kbd> {{ next() ? 'go to what comes next' : 'release' }}</span>
        }
      </div>
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    ol {
      display: grid;
      gap: 4px;
    }
    li {
      align-items: center;
      background: var(--paper);
      display: grid;
      gap: 12px;
      grid-template-columns: 20px 190px 1fr;
      min-height: 46px;
      padding: 4px 12px;
    }
    li.next {
      background: var(--petrol-tint);
      box-shadow: inset 4px 0 0 var(--petrol);
    }
    .note input {
      min-height: 46px;
      min-width: 300px;
    }
    .sheet {
      align-items: center;
      display: inline-flex;
      min-height: 46px;
    }
  `,
})
export class ReleaseStage {
  protected readonly hand = inject(Hand);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  private readonly router = inject(Router);
  protected readonly time = showTime;
  /** Set where somebody comes from a failure to begin again. */
  readonly again = input<unknown>();
  private readonly beginning = viewChild(BeginAgain);
  protected readonly note = typedText();
  protected readonly refusal = signal('');
  protected readonly mayRelease = computed(() => may(this.person()?.roles, 'release-set-up'));
  protected readonly ready = computed(() => {
    const verdict = this.hand.judgement()?.verdict;
    return verdict === 'accepted' || verdict === 'meets-made-up-limits';
  });
  protected readonly stands = computed(() => this.hand.of('release').at(-1)?.body.stands ?? null);

  protected readonly steps = computed(() => {
    const view = this.hand.view();
    const setUp = this.hand.setUp();
    const judgement = this.hand.judgement();
    return view && setUp && judgement ? releaseSteps(view, setUp, judgement, (kind) => this.hand.of(kind)) : [];
  });
  /** Papers named here, for parts whose sheet the cabinet does not name. */
  protected readonly sheets = signal<ReleaseSheets>({});
  protected readonly things = computed(() => {
    const [setUp, judgement] = [this.hand.setUp(), this.hand.judgement()];
    return setUp && judgement ? releaseThings(setUp, ofCurrentRun(this.hand.entries()), judgement, this.sheets()) : [];
  });
  protected readonly next = computed(() => this.steps().find((step) => step.state !== 'pass') ?? null);

  protected readonly headline = computed(() => {
    const release = this.hand.judgement()?.release;
    if (release?.state === 'released') return 'Released: the lot may run.';
    if (release?.state === 'lapsed') return 'The release has lapsed: stop, and prove the set-up again.';
    const next = this.next();
    return next ? `Next: ${next.title.toLowerCase()}.` : 'Proved. Quality releases it.';
  });
  protected readonly why = computed(() => {
    const judgement = this.hand.judgement();
    const madeUp =
      judgement?.verdict === 'meets-made-up-limits'
        ? ' The limits are made up: a release here is for training only.'
        : '';
    if (judgement?.release.state === 'lapsed') return judgement.release.reasons[0]?.text ?? '';
    if (judgement?.release.state === 'released') {
      return `It lapses by itself when tool, die, setting, limits, house rules or catalogue revision changes.${madeUp}`;
    }
    const setUp = this.hand.setUp();
    const [paper] = this.ready() && setUp ? missingSheets(setUp, this.sheets()) : [];
    const unnamed = paper ? ` No sheet is named for the ${paper}: name it below.` : '';
    return `${this.next()?.said ?? judgement?.headline ?? ''}${madeUp}${unnamed}`;
  });
  protected readonly behind = computed(() => {
    const view = this.hand.view();
    return view && this.hand.judgement()?.release.state === 'none' ? newerText(view) : '';
  });

  constructor() {
    inject(Keys).use([{ key: 'Enter', does: 'go to what comes next, or release' }], (key) => {
      if (key !== 'Enter' || this.beginning()?.asking()) return false;
      const next = this.next();
      if (next) void this.router.navigate(['/bench', this.hand.view()?.combination.id, next.to]);
      else if (this.mayRelease() && this.hand.judgement()?.release.state === 'none') this.release();
      return true;
    });
  }

  protected release(): void {
    const stands = this.hand.stands();
    if (!stands) return;
    const sheets = this.sheets();
    const refusal = this.hand.put({
      ...{ kind: 'release', stands, note: this.note.value },
      ...(Object.keys(sheets).length && { sheets }),
    });
    this.refusal.set(refusal?.text ?? '');
  }
}
