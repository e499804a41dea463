import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { gaugeSchema, type Gauge, type Problem } from '@tug-mark/contract';
import { FORCE_UNITS, LENGTH_UNITS, openLinePattern, readCaliperLine, readGaugeLine } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../../http/api';
import { DayField } from '../../parts/day-field';
import { Field } from '../../parts/field';
import { plainNumber } from '../../parts/plain-number';
import { ProblemNotice } from '../../parts/problem-notice';
import { Select } from '../../parts/select';
import { Tick } from '../../parts/tick';
import { tellFaults, typedNumber, typedText, valid } from '../../parts/zod-form';

/** Typed fields, in their order on the screen. */
const FIELDS = [
  { key: 'id', title: 'Name', wide: false },
  { key: 'label', title: 'Label', wide: true },
  { key: 'host', title: 'Host', wide: false },
  { key: 'port', title: 'Port', wide: false },
  { key: 'pattern', title: 'Line pattern', wide: true },
  { key: 'rate', title: 'Readings a second', wide: false },
  { key: 'capacity', title: 'Capacity, N', wide: false },
  { key: 'startCommand', title: 'Told at the start', wide: false },
  { key: 'zeroCommand', title: 'Told to zero', wide: false },
  { key: 'traceCommand', title: 'Told to send its curve', wide: false },
] as const;
const KINDS = [
  { value: 'force', label: 'force gauge' },
  { value: 'caliper', label: 'caliper' },
] as const;
const { shape } = gaugeSchema;

/** One gauge: how it is reached and how it writes, tried on a line of its own before it is kept. */
@Component({
  selector: 'tm-gauge-form',
  imports: [...[ReactiveFormsModule, NzButtonModule, NzInputModule], ...[DayField, Field, ProblemNotice, Select, Tick]],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()" aria-labelledby="gauge-form">
      <h2 id="gauge-form">{{ isNew() ? 'A new gauge' : 'Change ' + gauge().id }}</h2>
      <div class="fields">
        @for (f of fields; track f.key) {
          <tm-field [for]="'gauge-' + f.key" [label]="f.title" [class.wide]="f.wide" [control]="form.controls[f.key]">
            <input nz-input [id]="'gauge-' + f.key" [formControlName]="f.key" autocomplete="off" />
          </tm-field>
        }
        <tm-field for="gauge-calibrationUntil" label="Calibrated to" [control]="form.controls.calibrationUntil">
          <tm-day-field fieldId="gauge-calibrationUntil" formControlName="calibrationUntil" />
        </tm-field>
        <tm-field for="gauge-kind" label="Kind">
          <tm-select selectId="gauge-kind" [options]="kinds" formControlName="kind" />
        </tm-field>
        <tm-field for="gauge-unit" label="Unit" [control]="form.controls.unit">
          <tm-select selectId="gauge-unit" [options]="units()" formControlName="unit" />
        </tm-field>
        <tm-tick formControlName="active">in use</tm-tick>
      </div>
      <div class="try">
        <tm-field for="gauge-line" label="Try a line of it">
          <input nz-input id="gauge-line" placeholder="F +118.42 N OK" [formControl]="line" autocomplete="off" />
        </tm-field>
        <p role="status">{{ tried() }}</p>
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep it</button>
        <button nz-button class="bench-button" type="button" (click)="closed.emit()">Leave it</button>
      </div>
    </form>
  `,
  styleUrl: '../../parts/form.less',
  styles: `
    .fields {
      align-items: start;
    }
    .wide {
      grid-column: span 2;
    }
    .ant-input {
      min-height: 46px;
    }
    tm-tick {
      align-self: end;
    }
    .try {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 16px;
    }
    .try tm-field {
      width: min(380px, 100%);
    }
    @media (max-width: 560px) {
      .wide {
        grid-column: auto;
      }
    }
  `,
})
export class GaugeForm {
  /** The gauge as it stands; with an empty name a new one. */
  readonly gauge = input.required<Gauge>();
  readonly kept = output<readonly Gauge[]>();
  readonly closed = output();
  private readonly api = inject(Api);
  protected readonly fields = FIELDS;
  protected readonly kinds = KINDS;
  protected readonly isNew = computed(() => this.gauge().id === '');
  protected readonly problem = signal<Problem | null>(null);
  protected readonly line = typedText();
  protected readonly form = new FormGroup({
    id: typedText('', shape.id),
    label: typedText('', shape.label),
    host: typedText('', shape.host),
    port: typedText('', typedNumber(shape.port)),
    pattern: typedText('', shape.pattern),
    rate: typedText('', typedNumber(shape.rate)),
    capacity: typedText('', typedNumber(shape.capacity)),
    startCommand: typedText('', shape.startCommand),
    zeroCommand: typedText('', shape.zeroCommand),
    traceCommand: typedText('', shape.traceCommand),
    calibrationUntil: new FormControl<string | null>(null, { validators: valid(shape.calibrationUntil) }),
    kind: new FormControl<Gauge['kind']>('force', { nonNullable: true }),
    unit: new FormControl<Gauge['unit']>('N', { nonNullable: true }),
    active: new FormControl(true, { nonNullable: true }),
  });
  private readonly typed = toSignal(this.form.valueChanges, { initialValue: this.form.value });
  private readonly tryOut = toSignal(this.line.valueChanges, { initialValue: '' });
  protected readonly units = computed(() =>
    (this.typed().kind === 'caliper' ? LENGTH_UNITS : FORCE_UNITS).map((value) => ({ value, label: value })),
  );

  /** What the pattern makes of the line tried. */
  protected readonly tried = computed(() => {
    const { unit: said = 'N', pattern = '' } = this.typed();
    const line = this.tryOut();
    const length = LENGTH_UNITS.find((u) => u === said);
    if (length) {
      const caliper = openLinePattern(pattern, length);
      if (!caliper.ok) return caliper.text;
      if (line.trim() === '') return 'The pattern can be read.';
      const mm = readCaliperLine(line, caliper.pattern);
      return mm === null
        ? 'The pattern does not fit this line: it would not be taken for a length.'
        : `Read as ${mm} mm.`;
    }
    const opened = openLinePattern(pattern, FORCE_UNITS.find((u) => u === said) ?? 'N');
    if (!opened.ok) return opened.text;
    if (line.trim() === '') return 'The pattern can be read.';
    const read = readGaugeLine(line, opened.pattern);
    if (read.outcome === 'garbled') return 'The pattern does not fit this line: it would not be taken for a reading.';
    if (read.status === 'overload') return 'Read as an overload.';
    return `Read as ${read.newtons.toFixed(2)} N${read.otherUnit ? `, sent in ${read.otherUnit}` : ''}.`;
  });

  constructor() {
    effect(() => {
      const { port, rate, capacity, calibrationUntil, ...rest } = this.gauge();
      this.form.reset({
        ...rest,
        ...{ port: String(port), rate: String(rate), capacity: String(capacity) },
        calibrationUntil: calibrationUntil || null,
      });
      this.line.reset();
      this.problem.set(null);
      const { id } = this.form.controls;
      if (rest.id === '') id.enable({ emitEvent: false });
      else id.disable({ emitEvent: false });
      setTimeout(() => document.getElementById(rest.id === '' ? 'gauge-id' : 'gauge-label')?.focus());
    });
    // A caliper sends lengths, a gauge forces: a unit of the other kind is none.
    this.form.controls.kind.valueChanges.subscribe((kind) => {
      this.form.controls.unit.setValue(kind === 'caliper' ? 'mm' : 'N');
    });
  }

  protected async keep(): Promise<void> {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { port, rate, capacity, calibrationUntil, ...rest } = this.form.getRawValue();
    const gauge = { ...rest, calibrationUntil: calibrationUntil ?? '' };
    const [portOf, rateOf, capacityOf] = [port, rate, capacity].map((text) => plainNumber(text) ?? NaN) as [
      number,
      number,
      number,
    ];
    try {
      this.kept.emit(await this.api.keepGauge({ ...gauge, port: portOf, rate: rateOf, capacity: capacityOf }));
    } catch (error) {
      const problem = toProblem(error);
      const others = tellFaults(this.form, problem.errors ?? []);
      this.problem.set(others.length || !problem.errors?.length ? { ...problem, errors: others } : null);
    }
  }
}
