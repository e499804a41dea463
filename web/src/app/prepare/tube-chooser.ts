import { ChangeDetectionStrategy, Component, computed, input, linkedSignal } from '@angular/core';
import {
  chooseShrinkTube,
  strainRelief,
  type Practice,
  type SlideOnPart,
  type Terminal,
  type Wire,
} from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { LengthFields, readLengths, type TypedLengths } from './length-fields';

/** Which of the shop's tubes pass over this joint and grip it, and how long they are cut. */
@Component({
  selector: 'tm-tube-chooser',
  imports: [LengthFields, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-length-fields prefix="tube" [fields]="fields" [(typed)]="typed" />
    @if (choice(); as list) {
      <ul>
        @for (c of list; track c.tube.part) {
          <li>
            <tm-mark [state]="c.fits ? 'pass' : 'fail'" [size]="18" />
            <span
              ><strong class="figures">{{ c.tube.part }}</strong> {{ c.tube.label }}
              @if (c.fits) {
                <strong>{{ c.tube.length === null ? 'cut ' + c.cut?.toFixed(1) + ' mm' : 'take one piece' }}</strong>
              } @else {
                <span class="soft">{{ why(c) }}</span>
              }
            </span>
          </li>
        } @empty {
          <li>The cabinet has no tube that shrinks.</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    li {
      align-items: center;
      display: flex;
      gap: 10px;
      min-height: 28px;
    }
  `,
})
export class TubeChooser {
  readonly terminal = input.required<Terminal>();
  readonly wire = input.required<Wire>();
  readonly practice = input.required<Practice>();
  readonly tubes = input.required<readonly SlideOnPart[]>();
  readonly wet = input(false);
  protected readonly fields = [
    { key: 'passes', title: 'Passes over, mm' },
    { key: 'grips', title: 'Grips, mm' },
    { key: 'covers', title: 'Covers, mm' },
    { key: 'overlap', title: 'Overlap each side, mm' },
  ];
  /** What follows from the parts, as a start; the person may type otherwise. */
  protected readonly typed = linkedSignal<TypedLengths>(() => {
    const { outerDiameter, length } = this.terminal().barrel;
    const d = this.wire().insulationDiameter;
    return {
      passes: Math.max(outerDiameter ?? 0, d).toFixed(1),
      grips: Math.min(outerDiameter ?? d, d).toFixed(1),
      covers: (length ?? 10).toFixed(1),
      overlap: String(strainRelief(this.terminal(), this.wire(), this.practice()).overlap),
    };
  });
  protected readonly choice = computed(() => {
    const task = readLengths(this.typed(), ['passes', 'grips', 'covers', 'overlap']);
    return task && chooseShrinkTube(this.tubes(), task, this.wet());
  });

  protected why(candidate: ReturnType<typeof chooseShrinkTube>[number]): string {
    return candidate.reasons
      .filter((r) => r.weight === 'bad')
      .map((r) => r.text)
      .join(' ');
  }
}
