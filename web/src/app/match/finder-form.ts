import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FAMILIES, familyName, metalArea, otherScale, PLACES, type Wire } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { CabinetStore } from '../cabinet/cabinet.store';
import { scanned } from '../cabinet/scanned';
import { Select } from '../parts/select';
import { valueOf } from '../parts/value-of';
import { FINDER_NUMBERS, FinderStore, numberFault } from './finder.store';
import { StampReader } from './stamp-reader';

/** Wires that are offered for what is typed. */
const OFFERED = 6;

/** What is in the hand and where it will be used: wires by typing or scan, stud, place, numbers, grade and customer. */
@Component({
  selector: 'tm-finder-form',
  imports: [NzButtonModule, NzInputModule, Select, StampReader],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault()">
      <div class="field">
        <label for="finder-wire">Wire: type or scan, Enter takes the first</label>
        <input
          nz-input
          id="finder-wire"
          autocomplete="off"
          [value]="typed()"
          (input)="typed.set(value($event))"
          (keydown.enter)="take($event)"
        />
      </div>
      @if (typed()) {
        <ul class="offers">
          @for (wire of offers(); track wire.part) {
            <li>
              <button nz-button class="quiet" type="button" (click)="add(wire)">
                {{ wire.part }} {{ wire.label }}
              </button>
            </li>
          } @empty {
            <li class="soft">No wire matches.</li>
          }
        </ul>
      }
      <ul class="wires" aria-label="Wires in the barrel">
        @for (wire of store.wires(); track $index) {
          <li>
            <span
              ><strong class="figures">{{ wire.part }}</strong> {{ wire.label }}
              <span class="soft">{{ scales(wire) }}</span></span
            >
            <button
              nz-button
              class="quiet"
              type="button"
              [attr.aria-label]="'Take out ' + wire.part"
              (click)="store.drop($index)"
            >
              take out
            </button>
          </li>
        } @empty {
          <li class="soft">No wire yet. Several share one barrel.</li>
        }
      </ul>
      <div class="two">
        <div class="field">
          <label for="finder-stud">Stud or mating size</label>
          <input
            nz-input
            id="finder-stud"
            placeholder="any"
            [value]="store.stud()"
            (input)="store.set({ stud: value($event) })"
          />
        </div>
        <div class="field">
          <label for="finder-place">Place of use</label>
          <tm-select
            selectId="finder-place"
            [options]="placeOptions"
            [value]="store.place()"
            (valueChange)="setPlace($event)"
          />
        </div>
        @for (ask of numbers; track ask.key) {
          <div class="field">
            <label [attr.for]="'finder-' + ask.key">{{ ask.title }}</label>
            <input
              nz-input
              inputmode="decimal"
              [id]="'finder-' + ask.key"
              [value]="store.numbers()[ask.key]"
              (input)="store.setNumber(ask.key, value($event))"
            />
            @if (fault(store.numbers()[ask.key]); as text) {
              <span class="wrong">{{ text }}</span>
            }
          </div>
        }
        <div class="field">
          <label for="finder-family">Family</label>
          <tm-select
            selectId="finder-family"
            [options]="familyOptions"
            [value]="store.family()"
            (valueChange)="setFamily($event)"
          />
        </div>
        <div class="field">
          <label for="finder-class">Grade of work, if one</label>
          <input
            nz-input
            id="finder-class"
            [value]="store.className()"
            (input)="store.set({ className: value($event) })"
          />
        </div>
        <div class="field">
          <label for="finder-customer">Customer, if any</label>
          <input
            nz-input
            id="finder-customer"
            [value]="store.customer()"
            (input)="store.set({ customer: value($event) })"
          />
        </div>
      </div>
      <tm-stamp-reader (stud)="store.set({ stud: $event })" />
    </form>
  `,
  styles: `
    form {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 12px;
      padding: 16px 18px;
    }
    .two {
      display: grid;
      gap: 10px 14px;
      grid-template-columns: 1fr 1fr;
    }
    .wires li {
      align-items: center;
      border-left: 4px solid var(--copper);
      display: flex;
      gap: 8px;
      justify-content: space-between;
      padding: 4px 0 4px 10px;
    }
  `,
})
export class FinderForm {
  protected readonly store = inject(FinderStore);
  private readonly cabinet = inject(CabinetStore);
  protected readonly value = valueOf;
  protected readonly fault = numberFault;
  protected readonly numbers = FINDER_NUMBERS;
  protected readonly placeOptions = PLACES.map((place) => ({ value: place, label: place }));
  protected readonly familyOptions = [
    { value: '', label: 'any' },
    ...FAMILIES.map((family) => ({ value: family, label: familyName(family) })),
  ];
  protected readonly typed = signal('');
  protected readonly offers = computed(() => {
    const words = scanned(this.typed()).trim().toLowerCase().split(/\s+/);
    return this.cabinet
      .of('wire')
      .filter((wire) => words.every((word) => `${wire.part} ${wire.label}`.toLowerCase().includes(word)))
      .slice(0, OFFERED);
  });

  protected take(event: Event): void {
    event.preventDefault();
    const wire = this.cabinet.part('wire', scanned(this.typed()).trim()) ?? this.offers()[0];
    if (wire) this.add(wire);
  }

  protected add(wire: Wire): void {
    this.store.add(wire);
    this.typed.set('');
    // A scan ends before the page has drawn its letters: the field is emptied by hand, not by the binding alone.
    const field = document.getElementById('finder-wire') as HTMLInputElement | null;
    if (field) field.value = '';
    field?.focus();
  }

  /** Metric and AWG side by side, never as equals. */
  protected scales(wire: Wire): string {
    return `${metalArea(wire.conductor).toFixed(3)} mm² of metal; ${otherScale(wire.conductor.size).text}`;
  }

  protected setPlace(chosen: string | null): void {
    this.store.set({ place: PLACES.find((place) => place === chosen) ?? 'dry' });
  }

  protected setFamily(chosen: string | null): void {
    this.store.set({ family: FAMILIES.find((family) => family === chosen) ?? '' });
  }
}
