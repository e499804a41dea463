import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { FAMILIES, familyName, metalArea, otherScale, PLACES, type Family, type Wire } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { z } from 'zod';
import { CabinetStore } from '../cabinet/cabinet.store';
import { scanned } from '../cabinet/scanned';
import { Field } from '../parts/field';
import { Select } from '../parts/select';
import { typedText } from '../parts/zod-form';
import { FINDER_NUMBERS, FinderStore, NOTHING_ASKED, numberFault } from './finder.store';
import { StampReader } from './stamp-reader';

/** A number above 0, or nothing. */
const above0 = z.string().refine((text) => numberFault(text) === '', {
  error: ({ input }) => numberFault(String(input)),
});
/** Wires that are offered for what is typed. */
const OFFERED = 6;

/** What is in the hand and where it will be used: wires by typing or scan, stud, place, numbers, grade and customer. */
@Component({
  selector: 'tm-finder-form',
  imports: [ReactiveFormsModule, NzButtonModule, NzInputModule, Field, Select, StampReader],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form">
      <tm-field for="finder-wire" label="Wire: type or scan, Enter takes the first">
        <input nz-input id="finder-wire" autocomplete="off" [formControl]="wire" (keydown.enter)="take($event)" />
      </tm-field>
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
        <tm-field for="finder-stud" label="Stud or mating size">
          <input nz-input id="finder-stud" placeholder="any" formControlName="stud" />
        </tm-field>
        <tm-field for="finder-place" label="Place of use">
          <tm-select selectId="finder-place" [options]="placeOptions" formControlName="place" />
        </tm-field>
        @for (ask of numbers; track ask.key) {
          <tm-field [for]="'finder-' + ask.key" [label]="ask.title" [control]="form.controls[ask.key]">
            <input nz-input inputmode="decimal" [id]="'finder-' + ask.key" [formControlName]="ask.key" />
          </tm-field>
        }
        <tm-field for="finder-family" label="Family">
          <tm-select selectId="finder-family" [options]="familyOptions" formControlName="family" />
        </tm-field>
        <tm-field for="finder-class" label="Grade of work, if one">
          <input nz-input id="finder-class" formControlName="className" />
        </tm-field>
        <tm-field for="finder-customer" label="Customer, if any">
          <input nz-input id="finder-customer" formControlName="customer" />
        </tm-field>
      </div>
      <tm-stamp-reader (stud)="form.controls.stud.setValue($event)" />
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
  protected readonly numbers = FINDER_NUMBERS;
  protected readonly placeOptions = PLACES.map((place) => ({ value: place, label: place }));
  protected readonly familyOptions = [
    { value: '', label: 'any' },
    ...FAMILIES.map((family) => ({ value: family, label: familyName(family) })),
  ];
  protected readonly wire = typedText();
  protected readonly form = new FormGroup({
    stud: typedText(),
    place: typedText(NOTHING_ASKED.place),
    temperature: typedText('', above0),
    current: typedText('', above0),
    voltage: typedText('', above0),
    family: typedText(),
    className: typedText(),
    customer: typedText(),
  });
  protected readonly typed = toSignal(this.wire.valueChanges, { initialValue: '' });
  protected readonly offers = computed(() => {
    const words = scanned(this.typed()).trim().toLowerCase().split(/\s+/);
    return this.cabinet
      .of('wire')
      .filter((wire) => words.every((word) => `${wire.part} ${wire.label}`.toLowerCase().includes(word)))
      .slice(0, OFFERED);
  });

  constructor() {
    this.form.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => {
      // It is searched while it is typed: what is wrong is told then, too.
      this.form.markAllAsTouched();
      this.store.ask(this.form.getRawValue());
    });
  }

  protected take(event: Event): void {
    event.preventDefault();
    const wire = this.cabinet.part('wire', scanned(this.typed()).trim()) ?? this.offers()[0];
    if (wire) this.add(wire);
  }

  /** A family that was ranked, looked for now. */
  choose(family: Family): void {
    this.form.controls.family.setValue(family);
  }

  protected add(wire: Wire): void {
    this.store.add(wire);
    this.wire.setValue('');
    document.getElementById('finder-wire')?.focus();
  }

  /** Metric and AWG side by side, never as equals. */
  protected scales(wire: Wire): string {
    return `${metalArea(wire.conductor).toFixed(3)} mm² of metal; ${otherScale(wire.conductor.size).text}`;
  }
}
