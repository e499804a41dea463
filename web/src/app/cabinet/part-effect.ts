import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  computeSetUp,
  describeConstruction,
  judgeFit,
  capital,
  CATALOGUES,
  readLength,
  readSize,
  STRAND_LAYS,
  missingResults,
  NO_DEMAND,
  plainContext,
  showRange,
  sizeLabel,
  type CatalogueKind,
  type CatalogueParts,
  type PartRead,
  type Terminal,
  type Wire,
} from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { plainNumber } from '../parts/plain-number';
import { SideViewDrawing } from '../parts/side-view';
import { CabinetStore } from './cabinet.store';

const DRY = { ...NO_DEMAND, place: 'dry' as const };

/** What follows from a part as it is typed, as far as it can be computed: of a terminal on a wire of the shop, of a wire by itself. */
@Component({
  selector: 'tm-part-effect',
  imports: [Mark, SideViewDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>What follows</h3>
    @if (kind() === 'wire') {
      @for (line of ofWire(); track line) {
        <p class="figures">{{ line }}</p>
      } @empty {
        <p class="soft">Two of size, strands and strand diameter give the third, and the metal.</p>
      }
    } @else if (terminal(); as t) {
      @if (on(); as found) {
        <p>
          <tm-mark [state]="found.fit.verdict === 'fits' ? 'pass' : found.fit.verdict === 'edge' ? 'hold' : 'fail'" />
          On your {{ found.wire.part }} ({{ size(found.wire) }}): {{ found.fit.reasons[0]?.text }}
        </p>
        @if (found.strip; as strip) {
          <p class="figures">
            @if (strip.window; as window) {
              Strip {{ range(window) }} mm,
              {{ strip.setPoint === null ? 'no set point' : 'set point ' + strip.setPoint + ' mm' }}.
            } @else {
              No strip length yet.
            }
          </p>
          @if (!strip.window || strip.setPoint === null) {
            @for (reason of strip.reasons; track reason.text) {
              <p class="soft">{{ reason.text }}</p>
            }
          }
          @if (strip.window && !missing().length) {
            <tm-side-view [terminal]="t" [wire]="found.wire" [strip]="strip" [width]="460" />
          }
        }
      } @else {
        <p class="soft">What it does with a wire shows once the shop has a wire and house rules.</p>
      }
      @for (line of missing(); track line) {
        <p class="soft">{{ line }}</p>
      }
    } @else {
      <p class="soft">{{ waits() }}</p>
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
  /** As far as it is typed. */
  readonly read = input.required<PartRead<CatalogueKind>>();
  readonly cells = input.required<Readonly<Record<string, string>>>();
  private readonly cabinet = inject(CabinetStore);
  protected readonly range = (window: { readonly min: number; readonly max: number }) => showRange(window, 1);
  protected readonly size = (wire: Wire) => sizeLabel(wire.conductor.size);

  private readonly part = computed(() => {
    const read = this.read();
    return read.ok ? read.part : null;
  });
  protected readonly terminal = computed(() =>
    this.kind() === 'terminal' ? (this.part() as CatalogueParts['terminal'] | null) : null,
  );
  /** What the sheet leaves out, and what cannot be given for it. */
  protected readonly missing = computed(() => {
    const terminal = this.terminal();
    return terminal
      ? missingResults(terminal).map(({ field, lost }) => `${capital(lost)}: waits for the ${field}.`)
      : [];
  });
  /** What is missing before anything can be computed. */
  protected readonly waits = computed(() => {
    const read = this.read();
    if (read.ok) return '';
    const { columns } = CATALOGUES[this.kind()];
    const titles = read.problems.map(({ path }) => columns.find((column) => column.path === path)?.title ?? path);
    const [first = '', ...rest] = [...new Set(titles)].slice(0, 4);
    const named = rest.length ? `${[first, ...rest.slice(0, -1)].join(', ')} and ${rest.at(-1) ?? ''}` : first;
    return `Which wires it fits, and the strip length, wait for: ${named}.`;
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

  /** Of a wire, as far as it is typed. */
  protected readonly ofWire = computed((): string[] => {
    const cells = this.cells();
    const length = readLength(cells['conductor.strandDiameter'] ?? '', 'mm');
    const count = plainNumber(cells['conductor.strands'] ?? '');
    return describeConstruction({
      size: readSize(cells['conductor.size'] ?? '') ?? null,
      lay: STRAND_LAYS.find((each) => each === cells['conductor.lay']) ?? 'bunched',
      ...(count !== null && Number.isInteger(count) && count > 0 && { strands: count }),
      ...(length.outcome === 'length' && { strandDiameter: length.millimetres }),
    });
  });
}
