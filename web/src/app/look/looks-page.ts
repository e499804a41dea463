import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type LookRecord } from '@tug-mark/contract';
import { familyName, pointOf, type DocumentKey, type LookRow, type LookSheet } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { DocumentHead } from '../documents/document-head';
import { DocumentList } from '../documents/document-list';
import { count } from '../parts/count';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';
import { LookDraft } from './look-draft';
import { LooksStore } from './looks.store';

const MEASURED = {
  never: 'by eye',
  may: 'by eye or measured',
  first: 'measured on the first pieces',
  each: 'measured on each piece',
} as const;

/** The sheets that say what pieces are looked at for; drafted, released and withdrawn like limit tables. */
@Component({
  selector: 'tm-looks-page',
  imports: [NzTableModule, RouterLink, NzButtonModule, DocumentHead, DocumentList, ProblemNotice, LookDraft],
  providers: [LooksStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            Pieces are looked at by the one released sheet of their grade that was in effect when the tool was taken.
            <a routerLink="/shop/limits">Pull limits</a> · <a routerLink="/shop/studies">Do our inspectors agree?</a>
          </p>
        </div>
        @if (mayDraft() && !shelf.documents().length) {
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="drafting.set('new')">
            Draft a sheet
          </button>
        }
      </div>
      @if (shelf.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="columns">
        <tm-document-list
          title="Sheets"
          [documents]="shelf.documents()"
          [chosen]="shelf.chosen()"
          (picked)="shelf.choose($event); drafting.set(null)"
        >
          No sheet yet: pieces are looked at for the points that come with Tug Mark, by eye alone. Quality or an
          engineer drafts one here; quality releases it.
        </tm-document-list>
        @if (drafting(); as from) {
          <tm-look-draft [from]="from" (kept)="drafted($event)" (closed)="drafting.set(null)" />
        } @else if (shelf.chosen(); as sheet) {
          <section aria-labelledby="document">
            <tm-document-head
              [shelf]="shelf"
              [mayRelease]="mayRelease()"
              [mayDraft]="mayDraft()"
              (drafted)="drafting.set(sheet)"
            />
            @if (shelf.compared()) {
              <p class="soft">{{ count(changedRows(), 'row differs', 'rows differ') }}; what was is struck through.</p>
            }
            <div class="scroll" tabindex="0" role="group" aria-label="Rows of the sheet">
              <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
                <thead>
                  <tr>
                    <th scope="col">Point</th>
                    <th scope="col">Families</th>
                    <th scope="col">Seen</th>
                    <th scope="col">Findings</th>
                    <th scope="col">Number</th>
                    <th scope="col">Range</th>
                    <th scope="col">Outside it</th>
                  </tr>
                </thead>
                <tbody>
                  @for (row of sheet.rows; track $index) {
                    @let was = before(row);
                    <tr [class.changed]="shelf.compared() && (!was || !same(row, was))">
                      <th scope="row">{{ title(row) }}</th>
                      <td>{{ families(row) }}</td>
                      <td>{{ view(row) }}</td>
                      <td>
                        {{ row.findings.join(', ') }}
                        @if (was && was.findings.join() !== row.findings.join()) {
                          <s>{{ was.findings.join(', ') }}</s>
                        }
                      </td>
                      <td>
                        {{ measured[row.measured] }}
                        @if (was && was.measured !== row.measured) {
                          <s>{{ measured[was.measured] }}</s>
                        }
                      </td>
                      <td class="figures">
                        {{ range(row) }}
                        @if (was && range(was) !== range(row)) {
                          <s>{{ range(was) }}</s>
                        }
                      </td>
                      <td>{{ row.measured === 'never' ? '' : row.outside }}</td>
                    </tr>
                    @if (row.text) {
                      <tr>
                        <td></td>
                        <td colspan="6" class="soft">{{ row.text }}</td>
                      </tr>
                    }
                  }
                </tbody>
              </nz-table>
            </div>
          </section>
        }
      </div>
    </div>
  `,
  styleUrl: '../documents/documents.less',
  styles: `
    tr.changed {
      background: var(--petrol-tint);
    }
    s {
      color: var(--ink-soft);
      display: block;
    }
  `,
})
export class LooksPage {
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly measured = MEASURED;
  protected readonly count = count;
  protected readonly shelf = inject(LooksStore);
  protected readonly drafting = signal<LookSheet | 'new' | null>(null);
  protected readonly mayRelease = computed(() => may(this.person()?.roles, 'release-look'));
  protected readonly mayDraft = computed(() => may(this.person()?.roles, 'draft-look'));
  protected readonly headline = computed(() => {
    const released = this.shelf.released();
    if (!this.shelf.loaded()) return 'What pieces are looked at for';
    return released.length
      ? `Pieces are looked at by ${released.map((s) => `${s.document} rev ${s.revision} (grade ${s.class})`).join(' and ')}.`
      : 'No sheet of the shop is in effect.';
  });
  protected readonly changedRows = computed(() => {
    const rows = this.shelf.chosen()?.rows ?? [];
    return rows.filter((row) => {
      const was = this.before(row);
      return !was || !this.same(row, was);
    }).length;
  });

  protected title(row: LookRow): string {
    return pointOf(row.point).title;
  }

  protected view(row: LookRow): string {
    return pointOf(row.point).view;
  }

  protected families({ families }: LookRow): string {
    return families.length ? families.map(familyName).join(', ') : 'all that have it';
  }

  protected range({ point, min, max, measured }: LookRow): string {
    const unit = pointOf(point).number?.unit;
    if (!unit || measured === 'never') return '';
    if (min === null && max === null) return 'as the set-up gives it';
    const space = unit === '°' ? '' : ' ';
    if (min === null) return `up to ${max ?? ''}${space}${unit}`;
    return max === null ? `from ${min}${space}${unit}` : `${min} to ${max}${space}${unit}`;
  }

  protected before(row: LookRow): LookRow | undefined {
    return this.shelf.compared()?.rows.find((r) => r.point === row.point && r.families.join() === row.families.join());
  }

  protected same(a: LookRow, b: LookRow): boolean {
    return JSON.stringify(a) === JSON.stringify(b);
  }

  protected drafted({ records, key }: { readonly records: readonly LookRecord[]; readonly key: DocumentKey }): void {
    this.shelf.take(records);
    this.shelf.choose(key);
    this.drafting.set(null);
  }
}
