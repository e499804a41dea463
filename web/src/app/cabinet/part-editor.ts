import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { Problem } from '@tug-mark/contract';
import {
  CATALOGUES,
  FIELD_GROUPS,
  type CatalogueKind,
  type CatalogueParts,
  type PartCells,
  type StampReading,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, ApiProblem, toProblem } from '../http/api';
import { injectEditedForm } from '../parts/edited-form';
import { FormFaults } from '../parts/form-faults';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { TypedBack } from '../parts/typed-back';
import { CabinetStore } from './cabinet.store';
import { PartEffect } from './part-effect';
import { PartFields } from './part-fields';
import { cellsFrom, concerns, faultsOf, partForm, readForm, restorePart } from './part-form';
import { PartRows } from './part-rows';
import { StampFill } from './stamp-fill';

/** A part as a form, in groups, with what follows from it beside; read by the same rules as a file. */
@Component({
  selector: 'tm-part-editor',
  imports: [
    ...[ReactiveFormsModule, NzButtonModule, FormFaults, PartEffect, PartFields, PartRows, ProblemNotice, Select],
    ...[StampFill, TypedBack],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form()" (ngSubmit)="send()" [attr.aria-label]="title()">
      <div class="top">
        <h2>{{ title() }}</h2>
        @if (!part() && likes().length > 1) {
          <label for="like">Copy from a like one</label>
          <tm-select selectId="like" [options]="likes()" [value]="like()" (valueChange)="copy($event)" />
        }
      </div>
      <tm-typed-back [edited]="edited" />
      <tm-form-faults [faults]="faults()" [tries]="edited.tries()" />
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
        @if (found.code === 'stale-revision') {
          <button nz-button type="button" (click)="insist()">Keep mine as the next revision all the same</button>
        }
      }
      <div [class.both]="kind() === 'terminal' || kind() === 'wire'">
        <div class="groups">
          @for (group of groups(); track group.title) {
            <details [open]="!group.isRare || group.isOpen">
              <summary>{{ group.title }}</summary>
              @if (group.columns.length) {
                <tm-part-fields
                  [columns]="group.columns"
                  [cells]="form().controls.cells"
                  [faults]="faults()"
                  [fixed]="part() ? 'part' : null"
                />
              }
              @if (group.hasStamp) {
                <tm-stamp-fill [stamp]="stamp()" (taken)="fillFrom($event)" />
              }
              @for (table of group.tables; track table.path) {
                <h3>{{ many(table.title) }}</h3>
                <tm-part-rows
                  [table]="table"
                  [rows]="form().controls.tables.controls[table.path]!"
                  [faults]="faults()"
                />
              }
            </details>
          }
        </div>
        @if (kind() === 'terminal' || kind() === 'wire') {
          <tm-part-effect [kind]="kind()" [read]="read()" />
        }
      </div>
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">
          {{ part() ? 'Keep as a new revision' : 'Keep the new ' + catalogue().one }}
        </button>
        <button nz-button class="bench-button" type="button" (click)="leave()">
          {{ part() ? 'Leave it as it was' : 'Leave it' }}
        </button>
        <span class="soft">* needed</span>
      </p>
    </form>
  `,
  styleUrls: ['../documents/draft.less', './part-editor.less'],
})
export class PartEditor {
  private readonly api = inject(Api);
  private readonly cabinet = inject(CabinetStore);
  readonly kind = input.required<CatalogueKind>();
  /** The part to change; null for a new one. */
  readonly part = input.required<CatalogueParts[CatalogueKind] | null>();
  readonly kept = output<string>();
  readonly closed = output();
  protected readonly problem = signal<Problem | null>(null);
  protected readonly like = signal('');
  private opened = 0;
  protected readonly catalogue = computed(() => CATALOGUES[this.kind()]);
  protected readonly title = computed(() => {
    const part = this.part();
    return part ? `Change ${part.part}` : `A new ${this.catalogue().one}`;
  });
  protected readonly many = (title: string) => `${title.charAt(0).toUpperCase()}${title.slice(1)}s`;

  protected readonly edited = injectEditedForm(() => {
    const [kind, part] = [this.kind(), this.part()];
    const form = partForm(kind, part ? cellsFrom(kind, part) : null);
    const place = `${kind}/${part?.part ?? 'new'}`;
    return {
      form,
      place,
      over: part,
      restore: (value: PartCells) => {
        restorePart(kind, form, value);
      },
    };
  });
  protected readonly form = this.edited.form;
  protected readonly read = computed(() => {
    this.edited.changes();
    return readForm(this.kind(), this.form());
  });
  protected readonly faults = computed(() => (this.edited.tries() ? faultsOf(this.kind(), this.read()) : []));
  protected readonly stamp = computed(() => {
    this.edited.changes();
    return this.form().controls.cells.controls['stamp']?.value ?? '';
  });
  /** The groups of this kind, with the fields that concern the part as it is. */
  protected readonly groups = computed(() => {
    this.edited.changes();
    const [kind, form, { columns, tables }] = [this.kind(), this.form(), this.catalogue()];
    const first = (path: string) => FIELD_GROUPS[kind].find(({ takes }) => takes(path));
    const wrong = new Set(this.faults().map(({ field }) => field.replace(/^[ft]-/, '').split('-')[0]));
    return FIELD_GROUPS[kind]
      .map((group) => {
        const own = columns.filter(({ path }) => first(path) === group && concerns(kind, form, path));
        const lists = tables.filter(({ path }) => first(path) === group);
        return {
          ...{ title: group.title, isRare: group.isRare === true, columns: own, tables: lists },
          hasStamp: own.some(({ path }) => path === 'stamp'),
          // What is wrong is never folded away, nor what somebody has filled in.
          isOpen:
            lists.some(({ path }) => (form.controls.tables.controls[path]?.length ?? 0) > 0 || wrong.has(path)) ||
            own.some(({ path }) => wrong.has(path.split('.')[0] ?? '')),
        };
      })
      .filter((group) => group.columns.length || group.tables.length);
  });
  protected readonly likes = computed(() => [
    { value: '', label: 'none' },
    ...this.cabinet.of(this.kind()).map(({ part, label }) => ({ value: part, label: `${part} ${label}` })),
  ]);

  constructor() {
    effect(() => {
      const [kind, part] = [this.kind(), this.part()];
      this.opened = 0;
      if (!part) return;
      void this.api.revisions(kind, part.part).then(
        ([newest]) => {
          this.opened = newest?.revision ?? 0;
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }

  /** Everything as in another part, but for its number. */
  protected copy(from: string | null): void {
    this.like.set(from ?? '');
    const part = from && this.cabinet.part(this.kind(), from);
    if (!part) return;
    const cells = cellsFrom(this.kind(), part);
    restorePart(this.kind(), this.form(), { ...cells, cells: { ...cells.cells, part: '' } });
    this.form().markAsDirty();
    this.form().updateValueAndValidity();
  }

  /** The range and the stud as a reading of the stamp gives them. */
  protected fillFrom({ wire, area, stud }: StampReading): void {
    const gauge = /AWG ([\d/]+)\D([\d/]+)$/.exec(wire);
    this.form().controls.cells.patchValue({
      'conductorRange.smallest': gauge ? `AWG ${gauge[1]}` : `${area.min} mm2`,
      'conductorRange.largest': gauge ? `AWG ${gauge[2]}` : `${area.max} mm2`,
      ...(stud && { stud }),
    });
    this.form().markAsDirty();
  }

  protected leave(): void {
    this.edited.memory().forget();
    this.closed.emit();
  }

  /** After a clash: the newest revision is known now, and the person wants theirs on top of it. */
  protected insist(): void {
    const standing = this.problem()?.standing as { revision?: number } | undefined;
    this.opened = standing?.revision ?? this.opened;
    void this.send();
  }

  protected async send(): Promise<void> {
    this.edited.tried();
    const read = this.read();
    if (!read.ok) return;
    try {
      await this.api.keepPart(this.kind(), this.opened, read.part);
      this.problem.set(null);
      this.edited.memory().forget();
      this.kept.emit(read.part.part);
    } catch (error) {
      this.problem.set(error instanceof ApiProblem ? error.problem : toProblem(error));
    }
  }
}
