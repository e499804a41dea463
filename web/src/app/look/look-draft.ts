import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import type { LookRecord, Problem } from '@tug-mark/contract';
import {
  FAMILIES,
  familyName,
  FINDINGS,
  MEASURED,
  POINT_CODES,
  pointOf,
  startingRows,
  type Finding,
  type LookRow,
  type LookSheet,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DraftHead, draftOf, headFrom, isHeadWrong } from '../documents/draft-head';
import { injectToday } from '../session/shop-day';
import { Api, toProblem } from '../http/api';
import { plainNumber } from '../parts/plain-number';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { Tick } from '../parts/tick';
import { valueOf } from '../parts/value-of';
import { Notice } from '../parts/notice';

const WORDS: Readonly<Record<(typeof MEASURED)[number], string>> = {
  never: 'by eye alone',
  may: 'may be measured',
  first: 'on the first pieces',
  each: 'on each piece',
};
/** Stands for several families at once: read from a file, not made here. */
const SEVERAL = 'several';

/** A row with what is typed into it, however wrong. */
interface DraftRow extends Omit<LookRow, 'min' | 'max'> {
  readonly min: string;
  readonly max: string;
}

/** A draft of a sheet of what to look at: its head and its rows. Kept as a draft; quality releases it. */
@Component({
  selector: 'tm-look-draft',
  imports: [Notice, NzButtonModule, NzInputModule, DraftHead, ProblemNotice, Select, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="keep($event)">
      <h2>{{ title() }}</h2>
      <tm-draft-head [(head)]="head" [tried]="tried()" />
      <ol>
        @for (row of rows(); track $index; let i = $index) {
          <li>
            <strong>{{ titleOf(row) }}</strong>
            <fieldset>
              <legend class="out-of-sight">Findings of {{ titleOf(row) }}</legend>
              @for (finding of findings; track finding) {
                <tm-tick [value]="row.findings.includes(finding)" (valueChange)="turn(i, finding)">{{
                  finding
                }}</tm-tick>
              }
            </fieldset>
            <label [attr.for]="'families-' + i">for</label>
            <tm-select
              [selectId]="'families-' + i"
              [options]="familiesOf(row)"
              [value]="familyOf(row)"
              (valueChange)="setFamily(i, $event)"
            />
            @if (unitOf(row); as unit) {
              <label [attr.for]="'measured-' + i">number</label>
              <tm-select
                [selectId]="'measured-' + i"
                [options]="measured"
                [value]="row.measured"
                (valueChange)="set(i, 'measured', $event ?? 'never')"
              />
              @if (row.measured !== 'never') {
                <label [attr.for]="'min-' + i">{{ unit }} from</label>
                <input
                  nz-input
                  class="end"
                  [id]="'min-' + i"
                  placeholder="set-up"
                  [value]="row.min"
                  (input)="set(i, 'min', value($event))"
                />
                <label [attr.for]="'max-' + i">to</label>
                <input
                  nz-input
                  class="end"
                  [id]="'max-' + i"
                  placeholder="set-up"
                  [value]="row.max"
                  (input)="set(i, 'max', value($event))"
                />
                <label [attr.for]="'outside-' + i">outside</label>
                <tm-select
                  [selectId]="'outside-' + i"
                  [options]="outside"
                  [value]="row.outside"
                  (valueChange)="set(i, 'outside', $event ?? 'reject')"
                />
              }
            }
            <label [attr.for]="'text-' + i">also seen</label>
            <input
              nz-input
              class="text"
              [id]="'text-' + i"
              maxlength="300"
              [value]="row.text"
              (input)="set(i, 'text', value($event))"
            />
            <button nz-button class="quiet" type="button" (click)="remove(i)">take out</button>
          </li>
        }
      </ol>
      <p class="acts">
        <label for="add-point">Add a row for</label>
        <tm-select selectId="add-point" [options]="points" [value]="adding()" (valueChange)="add($event)" />
      </p>
      @if (wrong()) {
        <tm-notice kind="bad">{{ wrong() }}</tm-notice>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep the draft</button>
        <button nz-button class="bench-button" type="button" (click)="closed.emit()">Leave it</button>
      </p>
    </form>
  `,
  styles: `
    form {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 12px;
      padding: 18px 20px;
    }
    input[nz-input] {
      min-height: 40px;
    }
    li {
      align-items: center;
      border-bottom: 1px solid var(--line);
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
      padding: 6px 0;
    }
    li strong {
      flex-basis: 170px;
      font: 600 16px var(--figures);
    }
    fieldset {
      border: 0;
      display: flex;
      gap: 12px;
      margin: 0;
      padding: 0;
    }
    .end {
      width: 84px;
    }
    .text {
      flex: 1;
      min-width: 180px;
    }
    .acts {
      align-items: center;
      display: flex;
      gap: 10px;
    }
  `,
})
export class LookDraft {
  private readonly api = inject(Api);
  readonly from = input.required<LookSheet | 'new'>();
  readonly kept = output<readonly LookRecord[]>();
  readonly closed = output();
  protected readonly value = valueOf;
  protected readonly findings = FINDINGS;
  protected readonly measured = MEASURED.map((value) => ({ value, label: WORDS[value] }));
  protected readonly outside = FINDINGS.slice(1).map((value) => ({ value, label: value }));
  protected readonly points = [
    { value: '', label: 'a point ...' },
    ...POINT_CODES.map((value) => ({ value: value as string, label: pointOf(value).title })),
  ];
  protected readonly adding = signal('');
  protected readonly problem = signal<Problem | null>(null);
  protected readonly wrong = signal('');
  protected readonly title = computed(() => {
    const from = this.from();
    return from === 'new' ? 'A new sheet' : `Draft from ${from.document} rev ${from.revision}, grade ${from.class}`;
  });
  private readonly today = injectToday();
  protected readonly head = linkedSignal(() => headFrom(this.from(), this.today()));
  protected readonly tried = signal(false);
  protected readonly rows = linkedSignal<readonly DraftRow[]>(() => {
    const from = this.from();
    return (from === 'new' ? startingRows() : from.rows).map((row) => ({
      ...row,
      min: row.min === null ? '' : String(row.min),
      max: row.max === null ? '' : String(row.max),
    }));
  });

  protected titleOf(row: DraftRow): string {
    return pointOf(row.point).title;
  }

  protected unitOf(row: DraftRow): string | null {
    return pointOf(row.point).number?.unit ?? null;
  }

  protected familyOf({ families }: DraftRow): string {
    return families.length > 1 ? SEVERAL : (families[0] ?? '');
  }

  protected familiesOf({ families }: DraftRow) {
    return [
      { value: '', label: 'all families' },
      ...FAMILIES.map((value) => ({ value: value as string, label: familyName(value) })),
      ...(families.length > 1 ? [{ value: SEVERAL, label: `${families.length} families` }] : []),
    ];
  }

  protected set(index: number, key: 'measured' | 'min' | 'max' | 'outside' | 'text', text: string): void {
    this.change(index, { [key]: text });
  }

  protected setFamily(index: number, chosen: string | null): void {
    if (chosen === SEVERAL) return;
    const family = FAMILIES.find((f) => f === chosen);
    this.change(index, { families: family ? [family] : [] });
  }

  protected turn(index: number, finding: Finding): void {
    const row = this.rows()[index];
    if (!row) return;
    const findings = FINDINGS.filter((f) => (f === finding ? !row.findings.includes(f) : row.findings.includes(f)));
    this.change(index, { findings });
  }

  private change(index: number, changes: Partial<DraftRow>): void {
    this.rows.update((rows) => rows.map((row, i) => (i === index ? { ...row, ...changes } : row)));
  }

  protected remove(index: number): void {
    this.rows.update((rows) => rows.filter((_, i) => i !== index));
  }

  protected add(point: string | null): void {
    // The list is for the next one again, once it has closed over this.
    this.adding.set(point ?? '');
    setTimeout(() => {
      this.adding.set('');
    });
    const row = startingRows().find((r) => r.point === point);
    if (row) this.rows.update((rows) => [...rows, { ...row, min: '', max: '' }]);
  }

  protected async keep(event: Event): Promise<void> {
    event.preventDefault();
    this.tried.set(true);
    const numbers: LookRow[] = [];
    for (const [i, row] of this.rows().entries()) {
      const read = (text: string) => (text.trim() === '' ? null : plainNumber(text));
      const [min, max] = [read(row.min), read(row.max)];
      if ((min === null && row.min.trim()) || (max === null && row.max.trim())) {
        return this.wrong.set(`Row ${i + 1}, ${this.titleOf(row)}: the ends of a range are numbers, or empty.`);
      }
      numbers.push({ ...row, min, max });
    }
    if (isHeadWrong(this.head())) return this.wrong.set('Put right what is said at the fields above.');
    try {
      this.kept.emit(await this.api.keepLookDraft({ ...draftOf(this.head()), rows: numbers }));
    } catch (error) {
      this.problem.set(toProblem(error));
      this.wrong.set('');
    }
  }
}
