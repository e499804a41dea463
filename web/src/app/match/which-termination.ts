import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import {
  CONDITIONS,
  familyName,
  metalArea,
  whichTermination,
  type Condition,
  type Family,
  type Joint,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ChoiceButtons } from '../parts/choice-buttons';
import { Reasons } from '../parts/reasons';
import { Tick } from '../parts/tick';
import { FinderStore } from './finder.store';

const JOINT_WORDS: readonly { readonly value: Joint; readonly label: string }[] = [
  { value: 'stud', label: 'onto a stud' },
  { value: 'plug', label: 'plugged in' },
  { value: 'wire', label: 'wire to wire' },
  { value: 'clamp', label: 'in a clamp' },
];
const CONDITION_WORDS: Readonly<Record<Condition, string>> = {
  hot: 'hot',
  wet: 'wet',
  vibration: 'shakes',
  strain: 'is pulled on',
  'often-apart': 'often apart',
  'tight-bundle': 'tight bundle',
  'fuel-near': 'fuel, oil or vapour near',
};

/** Which termination at all: the families for a joint, ranked by what its place does to it, each with reasons and a strain relief. */
@Component({
  selector: 'tm-which-termination',
  imports: [ChoiceButtons, NzButtonModule, Reasons, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary>Which termination at all?</summary>
      <div class="asks">
        <tm-choice-buttons label="Joined" [options]="joints" [value]="joint()" (valueChange)="turnTo($event)" />
        <div class="ticks" role="group" aria-label="The place">
          @for (each of conditions; track each) {
            <tm-tick [value]="asked().has(each)" (valueChange)="turn(each, $event)">{{ words[each] }}</tm-tick>
          }
        </div>
      </div>
      <p class="said" role="status">{{ ranking().text }}</p>
      <ol>
        @for (each of ranking().ranked; track each.family) {
          <li>
            <div class="head">
              <strong>{{ name(each.family) }}</strong>
              <button nz-button type="button" (click)="family.emit(each.family)">Find such parts</button>
            </div>
            <tm-reasons [reasons]="each.reasons" />
            <p class="soft">Strain relief: {{ each.relief }}</p>
          </li>
        }
      </ol>
      @for (each of ranking().barred; track each.family) {
        <p class="soft">{{ name(each.family) }}: {{ each.text }}</p>
      }
      <p class="soft">It narrows the choice down. A released drawing or specification decides.</p>
    </details>
  `,
  styles: `
    summary {
      align-content: center;
      cursor: pointer;
      font-weight: 600;
      min-height: 44px;
    }
    .asks {
      display: grid;
      gap: 8px;
    }
    .ticks {
      display: flex;
      flex-wrap: wrap;
      gap: 0 16px;
    }
    .said {
      font-weight: 600;
      margin: 6px 0;
    }
    ol {
      display: grid;
      gap: 10px;
      list-style: decimal;
      padding-left: 20px;
    }
    .head {
      align-items: center;
      display: flex;
      gap: 12px;
      justify-content: space-between;
    }
  `,
})
export class WhichTermination {
  private readonly store = inject(FinderStore);
  /** A family to look for parts of. */
  readonly family = output<Family>();
  protected readonly joints = JOINT_WORDS;
  protected readonly conditions = CONDITIONS;
  protected readonly words = CONDITION_WORDS;
  protected readonly name = familyName;
  protected readonly joint = signal<Joint>('stud');
  private readonly ticked = signal<ReadonlySet<Condition>>(new Set());
  /** A wet place of use is asked of the finder already. */
  protected readonly asked = computed<ReadonlySet<Condition>>(() =>
    this.store.asked().place === 'wet' ? new Set([...this.ticked(), 'wet']) : this.ticked(),
  );
  protected readonly ranking = computed(() => {
    const wires = this.store.wires();
    const area = wires.length ? wires.reduce((sum, { conductor }) => sum + metalArea(conductor), 0) : null;
    return whichTermination(this.joint(), this.asked(), area);
  });

  protected turnTo(joint: Joint | null): void {
    if (joint) this.joint.set(joint);
  }

  protected turn(condition: Condition, isOn: boolean): void {
    this.ticked.update((before) => {
      const after = new Set(before);
      if (isOn) after.add(condition);
      else after.delete(condition);
      return after;
    });
  }
}
