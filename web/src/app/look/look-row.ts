import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { exampleOf, FAMILIES, familyName, FINDINGS, MEASURED, pointOf } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { startWith, switchMap } from 'rxjs';
import { CabinetStore } from '../cabinet/cabinet.store';
import { Select } from '../parts/select';
import { Tick } from '../parts/tick';
import { MEASURED_WORDS, type LookRowForm } from './look-form';
import { PointExamples } from './point-examples';

/** One row of inspection points in full: for whom, what may be found, its number, and how it looks on a part of the shop. */
@Component({
  selector: 'tm-look-row',
  imports: [ReactiveFormsModule, NzInputModule, PointExamples, Select, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let controls = row().controls;
    <p class="soft">Looked at {{ point().view }}.</p>
    <fieldset>
      <legend>A person may find</legend>
      @for (finding of findings; track finding) {
        <tm-tick [value]="controls.findings.value.includes(finding)" (valueChange)="turn('findings', finding)">{{
          finding
        }}</tm-tick>
      }
    </fieldset>
    @if (point().number; as number) {
      <div class="line">
        <label for="row-measured">Its number, {{ number.what }}</label>
        <tm-select selectId="row-measured" [options]="measured" [formControl]="controls.measured" />
        @if (controls.measured.value !== 'never') {
          <label for="row-min">from</label>
          <input nz-input id="row-min" inputmode="decimal" placeholder="set-up" [formControl]="controls.min" />
          <label for="row-max">to</label>
          <input nz-input id="row-max" inputmode="decimal" placeholder="set-up" [formControl]="controls.max" />
          {{ number.unit }}
          <label for="row-outside">outside:</label>
          <tm-select selectId="row-outside" [options]="outside" [formControl]="controls.outside" />
        }
      </div>
    }
    <label for="row-text">What this shop wants seen beside the standard words</label>
    <input nz-input id="row-text" maxlength="300" [formControl]="controls.text" />
    <fieldset class="families">
      <legend>For which families; none ticked: all that have it</legend>
      @for (family of families; track family) {
        <tm-tick [value]="controls.families.value.includes(family)" (valueChange)="turn('families', family)">{{
          name(family)
        }}</tm-tick>
      }
    </fieldset>
    @if (drawn(); as d) {
      <tm-point-examples [look]="d.look" [criterion]="d.criterion" />
    } @else {
      <p class="soft">
        The drawing shows once the shop has a terminal of these families with a wire and a tool that fit.
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      grid-template-columns: minmax(0, 1fr);
    }
    fieldset {
      border: 0;
      display: flex;
      flex-wrap: wrap;
      gap: 0 16px;
      margin: 0;
      padding: 0;
    }
    legend {
      border: 0;
      color: var(--ink);
      font-size: inherit;
      font-weight: 600;
      margin: 0;
    }
    .families {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
    }
    .line {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 10px;
    }
    .line input {
      width: 84px;
    }
  `,
})
export class LookRowEditor {
  readonly row = input.required<LookRowForm>();
  private readonly cabinet = inject(CabinetStore);
  protected readonly findings = FINDINGS;
  protected readonly families = FAMILIES;
  protected readonly name = familyName;
  protected readonly measured = MEASURED.map((value) => ({ value, label: MEASURED_WORDS[value] }));
  protected readonly outside = FINDINGS.slice(1).map((value) => ({ value, label: value }));
  protected readonly point = computed(() => pointOf(this.row().controls.point.value));
  private readonly changes = toSignal(
    toObservable(this.row).pipe(switchMap((row) => row.controls.families.valueChanges.pipe(startWith(null)))),
  );
  protected readonly drawn = computed(() => {
    this.changes();
    const parts = {
      ...{ terminals: this.cabinet.of('terminal'), wires: this.cabinet.of('wire'), tools: this.cabinet.of('tool') },
      ...{ strippers: this.cabinet.of('stripper'), practice: this.cabinet.practices()[0] },
    };
    return exampleOf(this.point().code, this.row().controls.families.value, parts, new Date().toISOString());
  });

  protected turn<K extends 'findings' | 'families'>(key: K, value: LookRowForm['controls'][K]['value'][number]): void {
    const control = this.row().controls[key];
    const all: readonly string[] = key === 'findings' ? FINDINGS : FAMILIES;
    const given = control.value as readonly string[];
    const next = all.filter((each) => (each === value ? !given.includes(each) : given.includes(each)));
    control.setValue(next as never);
    control.markAsDirty();
  }
}
