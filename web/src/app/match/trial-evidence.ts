import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { may } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { showTime } from '../parts/show-time';
import { sessionFeature } from '../session/session.state';
import { Notice } from '../parts/notice';

/** What settles a match at the edge: on record, or asked of quality. */
@Component({
  selector: 'tm-trial-evidence',
  imports: [Notice, FormsModule, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="trial">
      <h2 id="trial">Trial evidence</h2>
      @if (standing(); as found) {
        <p>
          <strong>{{ found.body.evidence }}</strong>{{ found.body.note ? ', ' + found.body.note : '' }};
          <span class="soft">put on record by {{ found.by }}, {{ time(found.at) }}</span>
        </p>
      } @else if (mayPut()) {
        <form (ngSubmit)="keep()">
          <label for="trial-evidence">The report, section or sample that settles it</label>
          <input
            nz-input
            id="trial-evidence"
            name="evidence"
            maxlength="200"
            [ngModel]="evidence()"
            (ngModelChange)="evidence.set($event)"
          />
          <label for="trial-note">What it says, if it needs a word</label>
          <input
            nz-input
            id="trial-note"
            name="note"
            maxlength="500"
            [ngModel]="note()"
            (ngModelChange)="note.set($event)"
          />
          <button nz-button class="bench-button" type="submit">Put it on record</button>
        </form>
        @if (refusal()) {
          <tm-notice kind="bad">{{ refusal() }}</tm-notice>
        }
      } @else {
        <p>
          Samples can be made and pulled; the set-up is released when quality has put on record what settles this match.
        </p>
      }
    </section>
  `,
  styles: `
    form {
      display: grid;
      gap: 8px;
      justify-items: start;
    }
    input {
      max-width: 640px;
    }
  `,
})
export class TrialEvidence {
  private readonly hand = inject(Hand);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly time = showTime;
  protected readonly evidence = signal('');
  protected readonly note = signal('');
  protected readonly refusal = signal('');
  protected readonly standing = computed(() => this.hand.of('trial').at(-1));
  protected readonly mayPut = computed(() => may(this.person()?.roles, 'release-set-up'));

  protected keep(): void {
    const refusal = this.hand.put({ kind: 'trial', evidence: this.evidence().trim(), note: this.note().trim() });
    this.refusal.set(refusal?.text ?? '');
  }
}
