import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type LimitRecord, type Touched } from '@tug-mark/contract';
import {
  compareLimits,
  familyName,
  limitRowName,
  sizeLabel,
  type DocumentKey,
  type LimitDifference,
  type LimitRow,
  type LimitTable,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { CabinetStore } from '../cabinet/cabinet.store';
import { DocumentHead } from '../documents/document-head';
import { DocumentList } from '../documents/document-list';
import { Api } from '../http/api';
import { count } from '../parts/count';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';
import { LimitDraft } from './limit-draft';
import { LimitsStore } from './limits.store';

/** The limit tables by document and revision; quality releases and withdraws them. */
@Component({
  selector: 'tm-limits-page',
  imports: [NzButtonModule, NzTableModule, RouterLink, DocumentHead, DocumentList, ProblemNotice, LimitDraft],
  providers: [LimitsStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            A pull is judged by the one released table of its grade that is in effect that day. Released specifications
            decide, not this program.
          </p>
        </div>
        @if (mayDraft() && !drafting()) {
          <button nz-button class="bench-button" type="button" (click)="drafting.set('new')">New table</button>
        }
      </div>
      @if (shelf.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="columns">
        <tm-document-list
          title="Tables"
          [documents]="shelf.documents()"
          [chosen]="shelf.chosen()"
          (picked)="shelf.choose($event); drafting.set(null)"
        >
          No table yet: pulls are recorded, not judged. Quality or an engineer drafts one from a controlled document;
          quality releases it.
        </tm-document-list>
        @if (drafting(); as from) {
          <tm-limit-draft
            [from]="from"
            [wires]="cabinet.of('wire')"
            [grade]="nextGrade()"
            (kept)="drafted($event)"
            (closed)="drafting.set(null)"
          />
        } @else if (shelf.chosen(); as table) {
          <section aria-labelledby="document">
            <tm-document-head
              [shelf]="shelf"
              [mayRelease]="mayRelease()"
              [mayDraft]="mayDraft()"
              madeUp="Nothing judged by it is accepted."
              [more]="about(table)"
              (drafted)="drafting.set(table)"
            >
              <a [href]="csv(table)" download>Rows as CSV</a>
            </tm-document-head>
            @if (shelf.compared(); as before) {
              <h3>
                {{ count(differences().length, 'row differs', 'rows differ') }} from {{ before.document }} rev
                {{ before.revision }}, grade
                {{ before.class }}
              </h3>
              <p class="soft">
                In effect now, it would change the limit of {{ count(touched().length, 'combination') }}: their set-ups
                have to be proved and released again.
              </p>
            }
            <div class="scroll" tabindex="0" role="group" aria-label="Rows of the table">
              <nz-table class="figures" nzTemplateMode nzSize="small" [nzShowPagination]="false">
                <thead>
                  <tr>
                    <th scope="col">Conductor</th>
                    <th scope="col">Families</th>
                    <th scope="col">Material</th>
                    @if (shelf.compared()) {
                      <th scope="col" class="force">Before</th>
                    }
                    <th scope="col" class="force">Least force</th>
                    @if (shelf.compared()) {
                      <th scope="col" class="force">Change</th>
                    }
                  </tr>
                </thead>
                <tbody>
                  @for (row of table.rows; track $index) {
                    @let change = changeOf(row);
                    <tr [class.changed]="change">
                      <td>{{ size(row.size) }}</td>
                      <td>{{ families(row.families) }}</td>
                      <td>{{ row.material ?? 'any' }}</td>
                      @if (shelf.compared()) {
                        <td class="force">{{ change?.before ? least(change!.before!) : change ? 'none' : 'same' }}</td>
                      }
                      <td class="force">{{ least(row) }}</td>
                      @if (shelf.compared()) {
                        <td class="force">{{ signed(change?.percent ?? null) }}</td>
                      }
                    </tr>
                  }
                  @for (gone of gone(); track gone.row) {
                    <tr class="changed">
                      <td colspan="3">{{ gone.row }}</td>
                      <td class="force">{{ least(gone.before!) }}</td>
                      <td class="force">taken out</td>
                      <td></td>
                    </tr>
                  }
                </tbody>
              </nz-table>
            </div>
            @if (shelf.compared() && touched().length) {
              <h3>Touched</h3>
              <ul class="touched">
                @for (line of touched().slice(0, 60); track line.id) {
                  <li>
                    <a [routerLink]="['/bench', line.id]">{{ line.terminal }} on {{ line.wire }}</a>
                    <span class="soft">{{ line.list }}, {{ force(line.before) }} to {{ force(line.after) }}</span>
                  </li>
                }
              </ul>
            }
          </section>
        }
      </div>
    </div>
  `,
  styleUrls: ['../documents/documents.less', './limits-page.less'],
})
export class LimitsPage {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  private readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly shelf = inject(LimitsStore);
  protected readonly cabinet = inject(CabinetStore);
  protected readonly drafting = signal<LimitTable | 'new' | null>(null);
  protected readonly touched = signal<readonly Touched[]>([]);
  protected readonly size = sizeLabel;
  protected readonly count = count;
  protected readonly differences = computed(() => {
    const before = this.shelf.compared();
    const after = this.shelf.chosen();
    return before && after ? compareLimits(before, after) : [];
  });
  protected readonly gone = computed(() => this.differences().filter((d) => d.after === null));
  /** The first grade the shop names that has no table yet: what a new one is most likely for. */
  protected readonly nextGrade = computed(() => {
    const has = new Set(this.shelf.documents().map((table) => table.class));
    return (this.shop()?.settings.grades ?? []).find((grade) => !has.has(grade)) ?? '';
  });
  protected readonly mayRelease = computed(() => may(this.person()?.roles, 'release-limits'));
  protected readonly mayDraft = computed(() => may(this.person()?.roles, 'draft-limits'));
  protected readonly headline = computed(() => {
    const released = this.shelf.released().length;
    const drafts = this.shelf.documents().filter((table) => table.status === 'draft').length;
    return `Limits: ${released} released, ${count(drafts, 'draft')}`;
  });

  constructor() {
    void this.cabinet.load();
    effect(() => {
      const table = this.shelf.chosen();
      if (!this.shelf.compared() || !table) return;
      void this.api.touchedByLimits(table).then(
        (touched) => {
          this.touched.set(touched);
        },
        (error: unknown) => {
          this.shelf.fail(error);
        },
      );
    });
  }

  protected drafted({ records, key }: { readonly records: readonly LimitRecord[]; readonly key: DocumentKey }): void {
    this.shelf.take(records);
    this.shelf.choose(key);
    this.drafting.set(null);
  }

  protected changeOf(row: LimitRow): LimitDifference | undefined {
    const name = limitRowName(row);
    return this.differences().find((d) => d.row === name);
  }
  protected least(row: LimitRow): string {
    return row.force === null ? `${row.percent} % of breaking load` : `${row.force} N`;
  }
  protected force(newtons: number | null): string {
    return newtons === null ? 'no limit' : `${newtons.toFixed(1)} N`;
  }
  protected signed(percent: number | null): string {
    if (percent === null) return '';
    return `${percent > 0 ? '+' : ''}${percent.toFixed(1)} %`;
  }
  protected csv(table: LimitTable): string {
    const { document, revision, class: className } = table;
    return `/api/limits/rows.csv?${new URLSearchParams({ document, revision, class: className }).toString()}`;
  }
  /** What the table says of pulling, in a line. */
  protected about({ speed, interpolates, hold }: LimitTable): string {
    const between = interpolates ? 'interpolation between rows allowed' : 'rows only, nothing between them';
    const share = hold?.percent == null ? 'by row' : `${hold.percent} % of the least force where the row names none`;
    const held = hold ? ` · held for ${hold.seconds} s, ${share}` : '';
    return `pulled at ${speed.min}–${speed.max} mm/min · ${between}${held}`;
  }

  protected families(list: LimitRow['families']): string {
    return list.length ? list.map(familyName).join(', ') : 'all';
  }
}
