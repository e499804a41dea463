import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { Store } from '@ngrx/store';
import { may, type FloorKept, type Person, type Problem } from '@tug-mark/contract';
import { shopFloorSchema } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { addressOf } from '../http/client';
import { FileButton } from '../parts/file-button';
import { SheetFrame } from './sheet-frame';
import { showTime } from '../parts/show-time';
import { injectToday } from '../session/shop-day';
import { sessionFeature } from '../session/session.state';
import { floorForm, floorOf, MINUTES, NUMBERS, type FloorForm } from './floor-form';
import { floorParts, secondsRows } from './floor-parts';
import { FloorRows } from './floor-rows';
import { LearnedTimes } from './learned-times';
import { SuppliesStore } from './supplies.store';

/** Benches, hours and absences, and what things take: what every plan of the shop is made from. */
@Component({
  selector: 'tm-floor-page',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, FileButton, FloorRows, LearnedTimes, SheetFrame],
  providers: [SuppliesStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-sheet-frame [headline]="headline()" [under]="under()" [problem]="shownProblem()" [said]="said()">
      <p acts class="acts">
        <a nz-button [href]="hoursTable" download="hours.csv">Hours as CSV</a>
        @if (mayEdit()) {
          <tm-file-button accept=".csv" (file)="readHours($event)">Hours from CSV</tm-file-button>
        }
      </p>
      @if (form(); as floor) {
        <form [formGroup]="floor" (ngSubmit)="keep()" aria-label="Benches and hours">
          @for (part of parts(); track part.legend) {
            <fieldset [disabled]="!mayEdit()">
              <legend>{{ part.legend }}</legend>
              @for (group of part.groups; track group.name) {
                <tm-floor-rows [group]="group" />
              }
            </fieldset>
          }
          <fieldset [disabled]="!mayEdit()">
            <legend>What things take, minutes</legend>
            <div class="fields" formGroupName="minutes">
              @for (one of minutes; track one.name) {
                <div class="field">
                  <label [for]="'minutes-' + one.name">{{ one.label }}</label><input
                    nz-input
                    [id]="'minutes-' + one.name"
                    inputmode="decimal"
                    [formControlName]="one.name"
                  />
                </div>
              }
            </div>
          </fieldset>
          <fieldset [disabled]="!mayEdit()">
            <legend>Seconds of one piece</legend>
            <p class="soft">
              Where none stands here a number to begin with is used; what was learned below goes before both.
            </p>
            @if (seconds(); as group) {
              <tm-floor-rows [group]="group" />
            }
          </fieldset>
          <fieldset [disabled]="!mayEdit()">
            <legend>How it is planned</legend>
            <div class="fields">
              <div class="field">
                <label for="due-by">A list is due by</label><input nz-input id="due-by" formControlName="dueBy" />
              </div>
              @for (one of numbers; track one.name) {
                <div class="field">
                  <label [for]="'number-' + one.name">{{ one.label }}</label><input
                    nz-input
                    [id]="'number-' + one.name"
                    inputmode="decimal"
                    [formControl]="numberOf(floor, one.name)"
                  />
                </div>
              }
            </div>
          </fieldset>
          @if (mayEdit()) {
            <button nz-button nzType="primary" class="bench-button" type="submit">Keep it</button>
          } @else {
            <p class="soft">An engineer changes this.</p>
          }
        </form>
        @if (learned(); as known) {
          <tm-learned-times [learned]="known.pieces" [steps]="known.steps" />
        } @else if (!shownProblem()) {
          <p role="status">Reading what was learned from the journal ...</p>
        }
      } @else if (!problem()) {
        <p role="status">Fetching the floor ...</p>
      }
    </tm-sheet-frame>
  `,
  styleUrls: ['../parts/form.less', './sheets.less'],
  styles: `
    .field label {
      font-weight: 600;
    }
    .ant-input {
      height: 40px;
    }
    .fields {
      align-items: end;
    }
    fieldset {
      border: 0;
      border-top: 1px solid var(--line);
      display: grid;
      gap: 10px;
      justify-items: start;
      margin: 0;
      min-width: 0;
      padding: 8px 0 4px;
      width: 100%;
    }
    legend {
      font: 600 19px/1.2 var(--figures);
      padding-right: 10px;
    }
  `,
})
export class FloorPage {
  private readonly api = inject(Api);
  private readonly supplies = inject(SuppliesStore);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly today = injectToday();
  protected readonly mayEdit = computed(() => may(this.person()?.roles, 'edit-floor'));
  protected readonly hoursTable = addressOf('writeHours');
  protected readonly minutes = Object.entries(MINUTES).map(([name, label]) => ({ name, label }));
  protected readonly numbers = Object.entries(NUMBERS).map(([name, label]) => ({
    name: name as keyof typeof NUMBERS,
    label,
  }));
  protected readonly kept = signal<FloorKept | null>(null);
  protected readonly form = signal<FloorForm | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly said = signal('');
  private readonly accounts = signal<readonly Pick<Person, 'id' | 'name'>[]>([]);
  protected readonly people = computed(() => this.accounts().map(({ id, name }) => ({ value: id, label: name })));
  protected readonly strippers = signal<readonly { value: string; label: string }[]>([{ value: '', label: 'none' }]);
  protected readonly parts = computed(() => {
    const form = this.form();
    return form ? floorParts(form, this.people(), this.strippers(), this.today()) : [];
  });
  protected readonly seconds = computed(() => {
    const form = this.form();
    return form && secondsRows(form);
  });
  protected readonly learned = computed(() => this.supplies.day()?.learned ?? null);
  protected readonly shownProblem = computed(() => this.problem() ?? this.supplies.problem());
  protected readonly headline = computed(() => {
    const floor = this.kept()?.floor;
    if (!floor) return 'Benches and hours';
    const people = new Set(floor.hours.map(({ person }) => person)).size;
    return floor.benches.length
      ? `${floor.benches.length} benches, ${people} people with hours.`
      : 'Write down the benches and who is in when: then work can be planned.';
  });
  protected readonly under = computed(() => {
    const kept = this.kept();
    if (!kept) return '';
    return kept.at
      ? `Revision ${kept.revision}, kept by ${kept.by} at ${showTime(kept.at)}.`
      : 'Nothing is written down yet.';
  });

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    try {
      const [kept, cabinet, accounts] = await Promise.all([this.api.floor(), this.api.cabinet(), this.names()]);
      this.accounts.set(accounts);
      this.strippers.set([
        { value: '', label: 'none' },
        ...cabinet.strippers.map(({ part, label }) => ({ value: part, label })),
      ]);
      this.show(kept);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  /** Accounts are listed for engineers; others see the names of those who are planned. */
  private async names(): Promise<readonly Pick<Person, 'id' | 'name'>[]> {
    if (this.mayEdit()) return this.api.people();
    const { work } = await this.api.planDay(1);
    return [...work.people, ...work.quality].map(({ id, label }) => ({ id, name: label }));
  }

  private show(kept: FloorKept): void {
    this.kept.set(kept);
    this.form.set(floorForm(kept.floor));
    this.problem.set(null);
  }

  protected numberOf(form: FloorForm, name: keyof typeof NUMBERS): FormControl<string> {
    return form.controls.numbers.controls[name];
  }

  protected async keep(): Promise<void> {
    const [form, kept] = [this.form(), this.kept()];
    if (!form || !kept) return;
    const read = shopFloorSchema.safeParse(floorOf(form, kept.floor));
    if (!read.success) {
      const errors = read.error.issues.map(({ path, message }) => ({
        where: path.map((step) => (typeof step === 'number' ? step + 1 : step)).join(' '),
        text: message,
      }));
      this.problem.set({
        ...{
          type: 'urn:tug-mark:problem:floor-problems',
          status: 422,
          code: 'floor-problems',
          total: errors.length,
          errors,
        },
        ...{ title: 'Something here cannot be read.', detail: 'Nothing was kept. Mend what is named below.' },
      } as Problem);
      return;
    }
    try {
      this.show(await this.api.keepFloor({ revision: kept.revision, floor: read.data }));
      this.said.set('Kept: the next plan goes by it.');
    } catch (error) {
      this.said.set('');
      this.problem.set(toProblem(error));
    }
  }

  protected async readHours(file: Blob): Promise<void> {
    try {
      this.show(await this.api.readHours(file));
      this.said.set('Hours taken from the file.');
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
