import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { REMOVAL_REASONS, type Cavity, type CavityWire, type RemovalReason } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Field } from '../parts/field';
import { Select } from '../parts/select';
import { Tick } from '../parts/tick';
import { typedText } from '../parts/zod-form';
import { ConnectorsStore, ticked } from './connectors.store';

/** A contact taken out of its cavity: from the side its sheet says, with why, and what it looks like afterwards. */
@Component({
  selector: 'tm-cavity-removal',
  imports: [Field, NzButtonModule, NzInputModule, ReactiveFormsModule, Select, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="caution">
      Released from the {{ contact().release }}{{ contact().removalTool ? ' with ' + contact().removalTool : '' }},
      pushed home first to free its lance, then drawn out by the wire without force.
    </p>
    <form [formGroup]="form" (ngSubmit)="keep()">
      <tm-field class="wide" for="removal-reason" label="Why?">
        <tm-select selectId="removal-reason" [options]="reasons" formControlName="reason" />
      </tm-field>
      <tm-tick formControlName="lance">lance is as it was</tm-tick>
      <tm-tick formControlName="grip">grip and crimp are as they were</tm-tick>
      <tm-field class="wide" for="removal-note" label="Note">
        <input nz-input id="removal-note" maxlength="500" autocomplete="off" formControlName="note" />
      </tm-field>
      <button nz-button nzType="primary" class="bench-button" type="submit">It is out</button>
      @if (mayStay()) {
        <button nz-button class="bench-button" type="button" (click)="left.emit()">Leave it in</button>
      }
    </form>
  `,
  styleUrl: './cavity-form.less',
})
export class CavityRemoval {
  private readonly store = inject(ConnectorsStore);
  readonly cavity = input.required<Cavity>();
  readonly contact = input.required<NonNullable<CavityWire['contact']>>();
  /** The one it was put on record for. */
  readonly combination = input.required<string>();
  /** A good one may stay; one that lies where the list puts none may not. */
  readonly mayStay = input(true);
  /** It stays in after all. */
  readonly left = output();
  protected readonly reasons = REMOVAL_REASONS.map((value) => ({ value, label: value }));
  protected readonly form = new FormGroup({
    reason: new FormControl<RemovalReason>('wrong cavity', { nonNullable: true }),
    ...{ lance: ticked(), grip: ticked(), note: typedText() },
  });

  protected async keep(): Promise<void> {
    const { id, seat } = this.cavity();
    const { reason, lance, grip, note } = this.form.getRawValue();
    const { release, removalTool } = this.contact();
    await this.store.put(this.combination(), {
      ...{ kind: 'removal', ...this.store.at(), cavity: id, seat, reason, note: note.trim() },
      ...{ technique: release, tool: removalTool },
      ...{ lance: lance ? 'good' : 'hurt', grip: grip ? 'good' : 'hurt' },
    });
  }
}
