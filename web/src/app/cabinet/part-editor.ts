import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
} from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { Problem } from '@tug-mark/contract';
import {
  CATALOGUES,
  familyStart,
  type Family,
  type CatalogueKind,
  type CatalogueParts,
  type PartCells,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, ApiProblem, toProblem } from '../http/api';
import { injectEditedForm } from '../parts/edited-form';
import { FormFaults } from '../parts/form-faults';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { TypedBack } from '../parts/typed-back';
import { CabinetStore } from './cabinet.store';
import { FamilyChoice } from './family-choice';
import { goToField } from './go-to-field';
import { PartFollows } from './part-follows';
import { PartGroups } from './part-groups';
import { cellsFrom, faultsOf, fieldId, partForm, readForm, readSoFar, restorePart } from './part-form';

/** A part as a form, in groups, with what follows from it beside; read by the same rules as a file. */
@Component({
  selector: 'tm-part-editor',
  imports: [
    ...[ReactiveFormsModule, NzButtonModule, FamilyChoice, FormFaults, PartFollows, PartGroups, ProblemNotice],
    ...[Select, TypedBack],
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
      @if (asksFamily()) {
        <tm-family-choice (chosen)="takeFamily($event)" (left)="knowsFamily.set(true)" />
      } @else {
        <div [class.both]="kind() === 'terminal' || kind() === 'wire'" [class.drawn]="kind() === 'terminal'">
          <div class="groups" (focusin)="focused.set(idOf($event))" (focusout)="focused.set('')">
            <tm-part-groups
              [kind]="kind()"
              [form]="form()"
              [changes]="edited.changes()"
              [faults]="faults()"
              [isKept]="part() !== null"
              (filled)="fillWith($event)"
            />
          </div>
          @if (kind() === 'terminal' || kind() === 'wire') {
            <tm-part-follows
              [kind]="kind()"
              [cells]="cells()"
              [read]="soFar()"
              [focused]="focused()"
              (wanted)="goTo($event)"
              (filled)="fillWith($event)"
            />
          }
        </div>
      }
      <p class="acts" [hidden]="asksFamily()">
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
  private readonly injector = inject(Injector);
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
  /** What can be computed with while names are still missing. */
  protected readonly soFar = computed(() => {
    this.edited.changes();
    return readSoFar(this.kind(), this.form());
  });
  protected readonly cells = computed(() => {
    this.edited.changes();
    return this.form().controls.cells.getRawValue();
  });
  /** Id of the field that has the focus; empty for none. */
  protected readonly focused = signal('');
  /** Somebody has said which family a new terminal is of, or wants to go on without. */
  protected readonly knowsFamily = signal(false);
  protected readonly asksFamily = computed(
    () =>
      this.kind() === 'terminal' &&
      !this.part() &&
      !this.knowsFamily() &&
      !this.like() &&
      this.edited.memory().backFrom() === null,
  );
  protected readonly likes = computed(() => [
    { value: '', label: 'none' },
    ...this.cabinet.of(this.kind()).map(({ part, label }) => ({ value: part, label: `${part} ${label}` })),
  ]);

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // Whoever begins a part, or has said its family, types on at its start.
    effect(() => {
      if (this.part()) return;
      const first = this.asksFamily() ? 'tm-family-choice button' : `#${fieldId('part')}`;
      afterNextRender(() => host.querySelector<HTMLElement>(first)?.focus(), { injector: this.injector });
    });
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

  protected idOf({ target }: Event): string {
    return target instanceof HTMLElement ? target.id : '';
  }

  protected takeFamily(family: Family): void {
    this.fillWith(familyStart(family));
    this.knowsFamily.set(true);
  }

  /** To the field of a path, unfolding the group it is in. */
  protected goTo(path: string): void {
    goToField(fieldId(path));
  }
  /** Values that come from beside the form. */
  protected fillWith(cells: Readonly<Record<string, string>>): void {
    this.form().controls.cells.patchValue(cells);
    this.form().markAsDirty();
    this.form().updateValueAndValidity();
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
