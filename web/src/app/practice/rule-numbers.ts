import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { asTyped, numberAt, RULE_NUMBERS, strandDamageText, type Practice, type RuleNumber } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Field } from '../parts/field';
import { ruleId, type RulesForm } from './rules-form';

/** The numbers beside the choices, each with its unit and what it does. */
@Component({
  selector: 'tm-rule-numbers',
  imports: [ReactiveFormsModule, Field, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let controls = form().controls;
    @for (rule of rules; track rule.path) {
      @let control = controls.numbers.controls[rule.path]!;
      <tm-field
        [for]="idOf(rule.path)"
        [label]="rule.unit === 'pieces' ? rule.title : rule.title + ', ' + rule.unit"
        [hint]="rule.effect"
        [control]="control"
      >
        <input
          nz-input
          inputmode="decimal"
          autocomplete="off"
          [id]="idOf(rule.path)"
          [formControl]="control"
          [placeholder]="inherited(rule)"
        />
      </tm-field>
    }
    <tm-field
      class="wide"
      for="n-strandDamage"
      label="Strands that may be hurt"
      hint="‘none’, or by the number of strands: up to 30 strands: 1 nicked, 0 cut; up to 100 strands: 3 nicked, 1 cut"
      [control]="controls.strandDamage"
    >
      <input
        nz-input
        id="n-strandDamage"
        autocomplete="off"
        [formControl]="controls.strandDamage"
        [placeholder]="base() ? 'as in ' + base()!.part + ': ' + damage(base()!.strandDamage) : ''"
      />
    </tm-field>
  `,
  styles: `
    :host {
      display: grid;
      gap: 14px 20px;
      grid-template-columns: repeat(auto-fill, minmax(min(270px, 100%), 1fr));
    }
    .wide {
      grid-column: 1 / -1;
    }
  `,
})
export class RuleNumbers {
  readonly form = input.required<RulesForm>();
  readonly base = input.required<Practice | null>();
  protected readonly rules = RULE_NUMBERS;
  protected readonly idOf = ruleId;
  protected readonly damage = strandDamageText;

  protected inherited(rule: RuleNumber): string {
    const base = this.base();
    const kept = base && numberAt(base, rule.path);
    return base && kept !== null && kept !== undefined ? `as in ${base.part}: ${asTyped(rule, kept)}` : '';
  }
}
