import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type Problem } from '@tug-mark/contract';
import {
  capital,
  CATALOGUE_KINDS,
  CATALOGUES,
  indexParts,
  searchParts,
  type CatalogueKind,
  type CatalogueParts,
} from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { sessionFeature } from '../session/session.state';
import { Keys } from '../shell/keys';
import { CabinetStore } from './cabinet.store';
import { facetsOf, narrowed } from './cabinet-facets';
import { CabinetFiles, type FileRead } from './cabinet-files';
import { CabinetList } from './cabinet-list';
import { PartDetail } from './part-detail';
import { PartEditor } from './part-editor';
import { scanned } from './scanned';
import { ChoiceButtons } from '../parts/choice-buttons';
import { typedText } from '../parts/zod-form';
import { Notice } from '../parts/notice';
import { grouped } from '../parts/count';
import { PartFilePreview } from './part-file-preview';

type AnyPart = CatalogueParts[CatalogueKind];

/** What the shop has, by kind: searched as you type or scan, filtered, compared, changed, taken in and out as files. */
@Component({
  selector: 'tm-cabinet-page',
  imports: [
    ReactiveFormsModule,
    Notice,
    NzInputModule,
    ChoiceButtons,
    CabinetFiles,
    CabinetList,
    PartDetail,
    PartEditor,
    PartFilePreview,
    ProblemNotice,
    Select,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>Cabinet: {{ grouped(shown().length) }} of {{ grouped(parts().length) }} {{ catalogue().many }}</h1>
          <p class="soft">
            Type or scan a part; Enter opens the first. An edit makes a new revision: set-ups keep theirs.
          </p>
        </div>
        <div class="tools">
          <div class="field">
            <label for="cabinet-search">Search or scan</label>
            <input
              nz-input
              id="cabinet-search"
              type="search"
              autocomplete="off"
              [formControl]="searched"
              (keydown.enter)="openFirst($event)"
            />
          </div>
          @for (facet of facets(); track facet.column.path) {
            <div class="field">
              <label [attr.for]="'facet-' + facet.column.path">{{ capital(facet.column.title) }}</label>
              <tm-select
                [selectId]="'facet-' + facet.column.path"
                [options]="offered(facet.options)"
                [value]="narrowed()[facet.column.path] ?? ''"
                (valueChange)="narrow(facet.column.path, $event ?? '')"
              />
            </div>
          }
        </div>
      </div>
      <div class="kinds">
        <tm-choice-buttons
          label="Kinds of part"
          [options]="kinds()"
          [value]="kind()"
          (valueChange)="$event && to($event)"
        />
        <tm-cabinet-files
          [kind]="kind()"
          [mayEdit]="mayEdit()"
          (read)="taken($event)"
          (fresh)="begin()"
          (looked)="look(table, $event)"
        />
      </div>
      @if (said()) {
        <tm-notice kind="good">{{ said() }}</tm-notice>
      }
      @if (problem() ?? store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <tm-part-file-preview #table [kind]="kind()" (kept)="said.set($event)" />
      @if (table.isOpen()) {
        <!-- Nothing else stands beside a table that is looked at. -->
      } @else if (editing(); as what) {
        <tm-part-editor
          [kind]="kind()"
          [part]="what === 'new' ? null : chosen()"
          (kept)="kept($event)"
          (closed)="editing.set(null)"
        />
      } @else {
        <div class="body" [class.alone]="!chosen()">
          <tm-cabinet-list [kind]="kind()" [shown]="shown()" [chosen]="partName() ?? null" (open)="open($event)" />
          @if (chosen(); as part) {
            <tm-part-detail
              [kind]="kind()"
              [part]="part"
              [others]="parts()"
              [mayEdit]="mayEdit()"
              (edit)="editing.set('this')"
              (closed)="close()"
            />
          }
        </div>
      }
    </div>
  `,
  styleUrl: './cabinet-page.less',
})
export class CabinetPage {
  protected readonly capital = capital;
  protected readonly grouped = grouped;
  private readonly router = inject(Router);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly store = inject(CabinetStore);
  /** From the address: the kind looked at, and the part that is open. */
  readonly kindName = input<string | undefined>();
  readonly partName = input<string | undefined>();

  protected readonly kind = computed<CatalogueKind>(
    () => CATALOGUE_KINDS.find((kind) => kind === this.kindName()) ?? 'terminal',
  );
  protected readonly kinds = computed(() =>
    CATALOGUE_KINDS.map((kind) => ({
      value: kind,
      label: `${CATALOGUES[kind].many} ${grouped(this.store.of(kind).length)}`,
    })),
  );
  protected readonly catalogue = computed(() => CATALOGUES[this.kind()]);
  protected readonly searched = typedText();
  private readonly search = toSignal(this.searched.valueChanges, { initialValue: '' });
  protected readonly narrowed = linkedSignal<CatalogueKind, Readonly<Record<string, string>>>({
    source: this.kind,
    computation: () => ({}),
  });
  protected readonly said = signal('');
  protected readonly problem = signal<Problem | null>(null);
  protected readonly editing = signal<'new' | 'this' | null>(null);
  protected readonly mayEdit = computed(() => may(this.person()?.roles, 'edit-cabinet'));

  protected readonly parts = computed<readonly AnyPart[]>(() => this.store.of(this.kind()));
  private readonly index = computed(() => indexParts(this.kind(), this.parts() as never));
  protected readonly facets = computed(() => facetsOf(this.kind(), this.parts()));
  protected readonly shown = computed<readonly AnyPart[]>(() => {
    return narrowed(searchParts(this.index(), scanned(this.search())), this.narrowed());
  });
  protected readonly chosen = computed<AnyPart | null>(
    () => this.store.part(this.kind(), this.partName() ?? '') ?? null,
  );

  private readonly loading = this.store.load();

  constructor() {
    inject(Keys).use(
      [
        { key: '/', does: 'go to the search field' },
        { key: 'Esc', does: 'close the part' },
      ],
      (key) => {
        if (key === '/') document.getElementById('cabinet-search')?.focus();
        else if (key === 'Escape') this.close();
        else return false;
        return true;
      },
    );
  }

  protected narrow(path: string, wanted: string): void {
    this.narrowed.update((all) => ({ ...all, [path]: wanted }));
  }

  protected to(kind: CatalogueKind): void {
    this.searched.setValue('');
    this.editing.set(null);
    void this.router.navigate(['/shop/cabinet', kind]);
  }
  protected open(part: AnyPart): void {
    void this.router.navigate(['/shop/cabinet', this.kind(), part.part]);
  }
  protected async openFirst(event: Event): Promise<void> {
    event.preventDefault();
    // A label may be scanned before the parts are here.
    if (!this.store.loaded()) await this.loading;
    const exact = this.store.part(this.kind(), scanned(this.search()).trim());
    const first = exact ?? this.shown()[0];
    if (first) this.open(first);
  }
  /** A new part: what was said of the one before is over. */
  protected begin(): void {
    this.said.set('');
    this.problem.set(null);
    this.editing.set('new');
  }
  protected close(): void {
    void this.router.navigate(['/shop/cabinet', this.kind()]);
  }

  protected async kept(part: string): Promise<void> {
    this.editing.set(null);
    this.said.set(`${part} is kept as its newest revision.`);
    await this.store.load();
    void this.router.navigate(['/shop/cabinet', this.kind(), part]);
  }

  /** A table of parts, looked at before anything of it is kept. */
  protected look(table: PartFilePreview, file: File): void {
    this.begin();
    this.editing.set(null);
    void table.take(file);
  }

  protected offered(options: readonly string[]) {
    return [{ value: '', label: 'any' }, ...options.map((value) => ({ value, label: value }))];
  }

  protected taken({ said, problem }: FileRead): void {
    this.said.set(said);
    this.problem.set(problem);
  }
}
