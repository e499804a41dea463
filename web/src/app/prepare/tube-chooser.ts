import { ChangeDetectionStrategy, Component, computed, input, linkedSignal } from '@angular/core';
import { chooseShrinkTube, readLength, type SlideOnPart, type Terminal, type Wire } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Mark } from '../parts/mark';

interface Field {
  readonly key: 'passes' | 'grips' | 'covers' | 'overlap';
  readonly title: string;
}

/** Which of the shop's tubes pass over this joint and grip it, and how long they are cut. */
@Component({
  selector: 'tm-tube-chooser',
  imports: [NzInputModule, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      @for (field of fields; track field.key) {
        <div class="field">
          <label [attr.for]="'tube-' + field.key">{{ field.title }}</label>
          <input
            nz-input
            inputmode="decimal"
            [id]="'tube-' + field.key"
            [value]="typed()[field.key]"
            (input)="type(field.key, value($event))"
          />
          @if (faults()[field.key]; as text) {
            <span class="wrong">{{ text }}</span>
          }
        </div>
      }
    </div>
    @if (choice(); as list) {
      <ul>
        @for (c of list; track c.tube.part) {
          <li>
            <tm-mark [state]="c.fits ? 'pass' : 'fail'" [size]="18" />
            <span
              ><strong class="figures">{{ c.tube.part }}</strong> {{ c.tube.label }}
              @if (c.fits) {
                <strong>{{ c.tube.length === null ? 'cut ' + c.cut.toFixed(1) + ' mm' : 'take one piece' }}</strong>
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
    .fields {
      display: grid;
      gap: 10px 14px;
      grid-template-columns: repeat(4, minmax(0, 1fr));
    }
    .field label {
      font-weight: 400;
    }
    li {
      align-items: center;
      display: flex;
      gap: 10px;
      min-height: 28px;
    }
    @media (max-width: 1100px) {
      .fields {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
})
export class TubeChooser {
  readonly terminal = input.required<Terminal>();
  readonly wire = input.required<Wire>();
  readonly tubes = input.required<readonly SlideOnPart[]>();
  readonly wet = input(false);
  protected readonly fields: readonly Field[] = [
    { key: 'passes', title: 'Passes over, mm' },
    { key: 'grips', title: 'Grips, mm' },
    { key: 'covers', title: 'Covers, mm' },
    { key: 'overlap', title: 'Overlap each side, mm' },
  ];
  /** What follows from the parts, as a start; the person may type otherwise. */
  protected readonly typed = linkedSignal(() => {
    const { outerDiameter, length } = this.terminal().barrel;
    const d = this.wire().insulationDiameter;
    return {
      passes: Math.max(outerDiameter ?? 0, d).toFixed(1),
      grips: Math.min(outerDiameter ?? d, d).toFixed(1),
      covers: (length ?? 10).toFixed(1),
      overlap: '6',
    };
  });
  private readonly read = computed(() => {
    const of = (key: Field['key']) => readLength(this.typed()[key], 'mm');
    return { passes: of('passes'), grips: of('grips'), covers: of('covers'), overlap: of('overlap') };
  });
  protected readonly faults = computed(() => {
    const of = (key: Field['key']) => {
      const read = this.read()[key];
      return read.outcome === 'refused' ? read.text : '';
    };
    return { passes: of('passes'), grips: of('grips'), covers: of('covers'), overlap: of('overlap') };
  });
  protected readonly choice = computed(() => {
    const { passes, grips, covers, overlap } = this.read();
    if (
      passes.outcome !== 'length' ||
      grips.outcome !== 'length' ||
      covers.outcome !== 'length' ||
      overlap.outcome !== 'length'
    ) {
      return null;
    }
    return chooseShrinkTube(
      this.tubes(),
      {
        passes: passes.millimetres,
        grips: grips.millimetres,
        covers: covers.millimetres,
        overlap: overlap.millimetres,
      },
      this.wet(),
    );
  });
  protected why(candidate: ReturnType<typeof chooseShrinkTube>[number]): string {
    return candidate.reasons
      .filter((r) => r.weight === 'bad')
      .map((r) => r.text)
      .join(' ');
  }
  protected type(key: Field['key'], text: string): void {
    this.typed.update((typed) => ({ ...typed, [key]: text }));
  }
  protected value(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }
}
