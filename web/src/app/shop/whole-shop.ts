import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { MOST_WHOLE_SHOP, type MovedShop, type Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { count } from '../parts/count';
import { FileButton } from '../parts/file-button';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { sessionActions, sessionFeature } from '../session/session.state';
import { FirstDayStore } from './first-day.store';

/** The whole shop in one file: out of this one, or into it while it is still empty, looked at before anything is kept. */
@Component({
  selector: 'tm-whole-shop',
  imports: [NzButtonModule, FileButton, Notice, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="whole">The whole shop in one file</h2>
    @if (shop()?.movedIn; as moved) {
      <p>
        Moved in by {{ moved.by }} on {{ time(moved.at) }}, from a file written {{ time(moved.madeAt) }}. Every record
        in it was proved then.
      </p>
    }
    @if (problem(); as found) {
      <tm-problem [problem]="found" />
    }
    @if (said()) {
      <tm-notice kind="good">{{ said() }}</tm-notice>
    }
    <p class="soft">
      Parts, documents, rules, people without their passwords, and every record with its chain. Whoever has the file can
      read all of it: keep it as you keep the records.
    </p>
    <p class="acts">
      <a nz-button class="bench-button" href="/api/shop/whole" download>Write the file</a>
      @if (isEmpty()) {
        <tm-file-button accept=".gz,application/gzip" (file)="look($event)">Move a shop in from a file</tm-file-button>
      }
    </p>
    @if (isEmpty()) {
      <p class="soft">Nothing was made here yet, so a whole shop may come in. That ends with the first part or list.</p>
    }
    @if (busy()) {
      <p role="status">{{ busy() }}</p>
    }
    @if (found(); as f) {
      <tm-notice announced>
        <p>
          <strong>{{ f.name }}</strong>, as it stood on {{ time(f.madeAt) }}: {{ words() }}. Its people:
          {{ f.people.join(', ') }}. Every chain in it is whole. Nothing is kept yet.
        </p>
        <p>
          Its people come in with a word for once, which you give out under People. Stop the old shop before anybody
          works here: two that both go on cannot be joined again.
        </p>
        <p class="acts">
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="keep()">
            Move {{ f.name }} in
          </button>
          <button nz-button class="bench-button" type="button" (click)="leave()">Leave it</button>
        </p>
      </tm-notice>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      margin-top: 22px;
    }
    .acts {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
  `,
})
export class WholeShop {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly day = inject(FirstDayStore);
  protected readonly time = showTime;
  protected readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly said = signal('');
  protected readonly busy = signal('');
  protected readonly found = signal<MovedShop | null>(null);
  private file: File | null = null;
  /** Nothing stands on the way of the first day yet but its people. */
  protected readonly isEmpty = computed(
    () => this.day.isReady() && this.day.day().steps.every(({ code, state }) => code === 'people' || state === 'open'),
  );
  protected readonly words = computed(() => {
    const counts = this.found()?.counts;
    if (!counts) return '';
    return [
      count(counts.parts, 'revision of parts', 'revisions of parts'),
      count(counts.documents, 'document'),
      count(counts.lists, 'wire list'),
      count(counts.combinations, 'combination'),
      count(counts.entries, 'entry', 'entries'),
      count(counts.photos, 'photograph'),
    ].join(', ');
  });

  protected async look(file: File): Promise<void> {
    this.leave();
    if (file.size > MOST_WHOLE_SHOP) {
      this.problem.set({
        ...{ type: 'about:blank', status: 413, code: 'file-too-large', title: 'This file is too large for the pages.' },
        detail: 'Move it in on the server: npm run move -- in <file>.',
      });
      return;
    }
    this.file = file;
    await this.attempt('Reading and proving every record in it ...', async () => {
      this.found.set(await this.api.moveShopIn(file, 'check'));
    });
  }

  protected async keep(): Promise<void> {
    const { file } = this;
    if (!file) return;
    await this.attempt('Moving it in ...', async () => {
      const { name } = await this.api.moveShopIn(file, 'keep');
      this.leave();
      this.said.set(`${name} is moved in. Give its people a word for once under People.`);
      this.store.dispatch(sessionActions.arrived({ here: await this.api.here() }));
      await this.day.load();
    });
  }

  protected leave(): void {
    this.file = null;
    this.found.set(null);
    this.problem.set(null);
    this.said.set('');
  }

  private async attempt(busy: string, work: () => Promise<void>): Promise<void> {
    this.busy.set(busy);
    try {
      await work();
    } catch (error) {
      this.problem.set(toProblem(error));
    } finally {
      this.busy.set('');
    }
  }
}
