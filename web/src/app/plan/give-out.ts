import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { typedText } from '../parts/zod-form';
import { PlanStore } from './plan.store';

/** Minutes after which a plan is no longer from now on. */
const STALE = 10;

/** The last look before a plan counts for everybody: what it comes to, what it moves. */
@Component({
  selector: 'tm-give-out',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); give()" aria-label="Give out this plan">
      <p>{{ words() }}</p>
      @if (stale()) {
        <p class="wrong">
          It was planned from {{ stale() }} min ago: what was to be done since stands in it as if it were. Close this
          and plan again first.
        </p>
      }
      <div class="field">
        <label for="plan-note">A word to go with it</label>
        <input nz-input id="plan-note" maxlength="500" [formControl]="note" />
      </div>
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">Give it out</button>
        <button nz-button class="bench-button" type="button" (click)="done.emit()">Not yet</button>
      </p>
    </form>
  `,
  styleUrl: '../parts/form.less',
})
export class GiveOut {
  private readonly store = inject(PlanStore);
  readonly done = output();
  protected readonly note = typedText();
  protected readonly stale = computed(() => {
    const day = this.store.day();
    const minutes = day ? Math.round((Date.now() - Date.parse(day.start)) / 60_000) : 0;
    return minutes >= STALE ? minutes : 0;
  });
  protected readonly words = computed(() => {
    const plan = this.store.plan();
    const given = this.store.day()?.given;
    const jobs = `${plan?.placed.length ?? 0} jobs`;
    const left = plan?.left.length ? ` ${plan.left.length} jobs have no place in it.` : '';
    return given
      ? `It replaces plan ${given.revision} of ${given.by}: ${jobs}, of which ${this.store.moved().length} are moved.${left} The first hour stays as it is.`
      : `The first plan: ${jobs}.${left} From then on every bench shows its own part of it.`;
  });

  protected async give(): Promise<void> {
    await this.store.giveOut(this.note.value.trim());
    this.done.emit();
  }
}
