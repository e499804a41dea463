import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  computeSetUp,
  envelopeDiameter,
  judgeFit,
  metalArea,
  missingResults,
  NO_DEMAND,
  otherScale,
  plainContext,
  showRange,
  sizeLabel,
  strandingClass,
  type CatalogueKind,
  type CatalogueParts,
  type PartRead,
  type Terminal,
  type Wire,
} from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { SideViewDrawing } from '../parts/side-view';
import { CabinetStore } from './cabinet.store';

const DRY = { ...NO_DEMAND, place: 'dry' as const };

/** What follows from a part as it is typed, as far as it can be computed: of a terminal on a wire of the shop, of a wire by itself. */
@Component({
  selector: 'tm-part-effect',
  imports: [Mark, SideViewDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kind() === 'terminal' || kind() === 'wire') {
      <h3>What follows</h3>
      @if (wire(); as w) {
        <p class="figures">{{ ofWire(w) }}</p>
      } @else if (terminal(); as t) {
        @for (line of missing(); track line) {
          <p class="soft">{{ line }}</p>
        }
        @if (on(); as found) {
          <p>
            <tm-mark [state]="found.fit.verdict === 'fits' ? 'pass' : found.fit.verdict === 'edge' ? 'hold' : 'fail'" />
            On {{ found.wire.part }} ({{ size(found.wire) }}): {{ found.fit.reasons[0]?.text }}
          </p>
          @if (found.strip?.window; as window) {
            <p class="figures">Strip {{ range(window) }} mm, set point {{ found.strip?.setPoint ?? 'none' }} mm.</p>
            <tm-side-view [terminal]="t" [wire]="found.wire" [strip]="found.strip!" [width]="460" />
          }
        } @else {
          <p class="soft">What it does with a wire shows once the shop has a wire and house rules.</p>
        }
      } @else {
        <p class="soft">{{ waits() }}</p>
      }
    }
  `,
  styles: `
    :host {
      align-content: start;
      display: grid;
      gap: 8px;
    }
    h3 {
      font-size: 16px;
    }
  `,
})
export class PartEffect {
  readonly kind = input.required<CatalogueKind>();
  readonly read = input.required<PartRead<CatalogueKind>>();
  private readonly cabinet = inject(CabinetStore);
  protected readonly range = (window: { readonly min: number; readonly max: number }) => showRange(window, 1);
  protected readonly size = (wire: Wire) => sizeLabel(wire.conductor.size);

  private readonly part = computed(() => {
    const read = this.read();
    return read.ok ? read.part : null;
  });
  protected readonly wire = computed(() =>
    this.kind() === 'wire' ? (this.part() as CatalogueParts['wire'] | null) : null,
  );
  protected readonly terminal = computed(() =>
    this.kind() === 'terminal' ? (this.part() as CatalogueParts['terminal'] | null) : null,
  );
  /** What the sheet leaves out, and what cannot be given for it. */
  protected readonly missing = computed(() => {
    const terminal = this.terminal();
    return terminal ? missingResults(terminal).map(({ field, lost }) => `${lost} waits for the ${field}.`) : [];
  });
  /** What is missing before anything can be computed. */
  protected readonly waits = computed(() => {
    const read = this.read();
    const count = read.ok ? 0 : read.problems.length;
    return count === 1 ? 'Waits for one more field.' : `Waits for ${count} more fields.`;
  });

  protected readonly on = computed(() => {
    const terminal = this.terminal();
    const [practice] = this.cabinet.practices();
    const wires = this.cabinet.of('wire');
    if (!terminal || !practice || !wires.length) return null;
    const parts = {
      ...{ terminals: [], wires, tools: this.cabinet.of('tool'), strippers: this.cabinet.of('stripper'), practice },
    };
    const fitOf = (wire: Wire, of: Terminal) => judgeFit(of, [wire], DRY, practice);
    const wire = wires.find((each) => fitOf(each, terminal).verdict === 'fits') ?? wires[0];
    if (!wire) return null;
    const { fit, preparation } = computeSetUp(
      plainContext(terminal, wire, parts, practice),
      [],
      new Date().toISOString(),
    );
    return { wire, fit, strip: preparation?.strip ?? null };
  });

  protected ofWire({ conductor }: Wire): string {
    const kind = strandingClass(conductor);
    return [
      `${metalArea(conductor).toFixed(3)} mm² of metal; printed ${sizeLabel(conductor.size)}, ${otherScale(conductor.size).text}`,
      `${envelopeDiameter(conductor).toFixed(2)} mm over the strands${kind ? `; class ${kind}` : ''}.`,
    ].join('; ');
  }
}
