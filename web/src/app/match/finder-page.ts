import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  choosePractice,
  FAMILIES,
  familyName,
  metalArea,
  otherScale,
  PLACES,
  readNumber,
  type Family,
  type Place,
  type Wire,
} from '@tug-mark/core';
import { wrap } from 'comlink';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import type { FinderAnswer, FinderLine } from '../../workers/finder.messages';
import type { FinderWork } from '../../workers/finder.worker';
import { CabinetParts } from '../cabinet/cabinet';
import { injectShopTime } from '../session/shop-day';
import { scanned } from '../cabinet/scanned';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { StampReader } from './stamp-reader';
import { valueOf } from '../parts/value-of';
import { Select } from '../parts/select';

const VERDICTS = { fits: 'pass', edge: 'hold', no: 'fail' } as const;

/** Given the wires in the hand and where the joint will be: everything the cabinet can make it with, best first. */
@Component({
  selector: 'tm-finder-page',
  imports: [Select, RouterLink, NzButtonModule, NzInputModule, Mark, ProblemNotice, StampReader],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ headline() }}</h1>
          <p class="soft">
            {{ rests() }}
          </p>
        </div>
      </div>
      @if (store.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="columns">
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
            @for (wire of wires(); track $index) {
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
                  (click)="drop($index)"
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
              <input nz-input id="finder-stud" placeholder="any" [value]="stud()" (input)="stud.set(value($event))" />
            </div>
            <div class="field">
              <label for="finder-place">Place of use</label>
              <tm-select
                selectId="finder-place"
                [options]="placeOptions"
                [value]="place()"
                (valueChange)="setPlace($event)"
              />
            </div>
            @for (ask of asks; track ask.key) {
              <div class="field">
                <label [attr.for]="'finder-' + ask.key">{{ ask.title }}</label>
                <input
                  nz-input
                  inputmode="decimal"
                  [id]="'finder-' + ask.key"
                  [value]="asked()[ask.key]"
                  (input)="setAsked(ask.key, value($event))"
                />
                @if (wrong(ask.key); as text) {
                  <span class="wrong">{{ text }}</span>
                }
              </div>
            }
            <div class="field">
              <label for="finder-family">Family</label>
              <tm-select
                selectId="finder-family"
                [options]="familyOptions"
                [value]="family()"
                (valueChange)="setFamily($event)"
              />
            </div>
            <div class="field">
              <label for="finder-class">Grade of work, if one</label>
              <input nz-input id="finder-class" [value]="className()" (input)="className.set(value($event))" />
            </div>
            <div class="field">
              <label for="finder-customer">Customer, if any</label>
              <input nz-input id="finder-customer" [value]="customer()" (input)="customer.set(value($event))" />
            </div>
          </div>
          <tm-stamp-reader (stud)="stud.set($event)" />
        </form>
        <div class="found" aria-live="polite">
          @if (answer(); as a) {
            @if (a.makes.length) {
              <h2>Can be made</h2>
              <ul class="lines">
                @for (line of a.makes; track line.part) {
                  <li>
                    <tm-mark [state]="verdicts[line.verdict]" [size]="20" />
                    <div>
                      <p>
                        <a [routerLink]="['/shop/cabinet', 'terminal', line.part]"
                          ><strong class="figures">{{ line.part }}</strong></a
                        >
                        {{ line.label }} <span class="soft">{{ line.family }}, takes {{ line.range }}</span>
                      </p>
                      <p>
                        {{ line.tool }}
                        <span class="soft"
                          >{{ line.toolState === 'ready' ? 'ready' : 'go/no-go check due'
                          }}{{ line.change ? '; first ' + line.change : ''
                          }}{{ line.folded ? '; wire folded back' : '' }}</span
                        >
                      </p>
                      @if (line.verdict === 'edge') {
                        <p>{{ mind(line) }}</p>
                      }
                    </div>
                  </li>
                }
              </ul>
            } @else {
              <h2>
                Nothing in the cabinet can be made up with {{ wires().length > 1 ? 'these wires' : 'this wire' }} so
              </h2>
            }
            @if (a.near.length) {
              <h2>Near, and what stops each</h2>
              <ul class="lines">
                @for (line of a.near.slice(0, 20); track line.part) {
                  <li>
                    <tm-mark state="fail" [size]="20" />
                    <div>
                      <p>
                        <a [routerLink]="['/shop/cabinet', 'terminal', line.part]"
                          ><strong class="figures">{{ line.part }}</strong></a
                        >
                        {{ line.label }} <span class="soft">{{ line.family }}</span>
                      </p>
                      <p>{{ line.stops }}</p>
                    </div>
                  </li>
                }
              </ul>
            }
          } @else if (wires().length) {
            <p class="soft" role="status">Searching ...</p>
          }
        </div>
      </div>
    </div>
  `,
  styles: `
    .columns {
      align-items: start;
      display: grid;
      gap: 28px;
      grid-template-columns: minmax(330px, 430px) minmax(0, 1fr);
    }
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
    .found {
      display: grid;
      gap: 10px;
    }
    .lines li {
      border-bottom: 1px solid var(--line);
      display: grid;
      gap: 10px;
      grid-template-columns: 20px 1fr;
      padding: 8px 0;
    }
    @media (max-width: 900px) {
      .columns {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class FinderPage {
  protected readonly value = valueOf;
  protected readonly store = inject(CabinetParts);
  protected readonly verdicts = VERDICTS;
  protected readonly placeOptions = PLACES.map((place) => ({ value: place, label: place }));
  protected readonly familyOptions = [
    { value: '', label: 'any' },
    ...FAMILIES.map((family) => ({ value: family, label: familyName(family) })),
  ];
  protected readonly familyName = familyName;
  protected readonly asks = [
    { key: 'temperature', title: 'Place reaches, °C' },
    { key: 'current', title: 'Current, A' },
    { key: 'voltage', title: 'Voltage, V' },
  ] as const;
  protected readonly typed = signal('');
  protected readonly wires = signal<readonly Wire[]>([]);
  protected readonly stud = signal('');
  protected readonly place = signal<Place>('dry');
  protected readonly asked = signal({ temperature: '', current: '', voltage: '' });
  protected readonly family = signal<Family | ''>('');
  protected readonly className = signal('');
  protected readonly customer = signal('');
  protected readonly answer = signal<FinderAnswer | null>(null);
  private readonly shopTime = injectShopTime();
  private readonly worker = new Worker(new URL('../../workers/finder.worker', import.meta.url), { type: 'module' });
  private readonly work = wrap<FinderWork>(this.worker);
  private asking = 0;

  protected readonly offers = computed(() => {
    const words = scanned(this.typed()).trim().toLowerCase().split(/\s+/);
    return this.store
      .of('wire')
      .filter((wire) => words.every((word) => `${wire.part} ${wire.label}`.toLowerCase().includes(word)))
      .slice(0, 6);
  });
  private readonly practice = computed(() =>
    choosePractice(this.store.cabinet()?.practices ?? [], this.customer().trim() || null, this.className().trim()),
  );
  protected readonly headline = computed(() => {
    const found = this.answer();
    if (!this.wires().length) return 'What can these wires be made up with?';
    if (!found) return 'Searching ...';
    return found.makes.length
      ? found.makes.length === 1
        ? 'One terminal can be made.'
        : `${found.makes.length}${found.makes.length === 50 ? ' or more' : ''} terminals can be made, best first.`
      : 'Nothing can be made, see what stops it.';
  });
  protected readonly rests = computed(() => {
    const found = this.answer();
    const looked = found
      ? ` ${found.looked.terminals} terminals and ${found.looked.nests} nests looked at in ${found.took.toFixed(0)} ms.`
      : '';
    return `House rules: ${this.practice().text}${looked}`;
  });

  constructor() {
    void this.store.load();
    inject(DestroyRef).onDestroy(() => {
      this.worker.terminate();
    });
    effect(() => {
      const cabinet = this.store.cabinet();
      const { practice } = this.practice();
      if (!cabinet || !practice) return;
      const { terminals, tools, checks, returns } = cabinet;
      const now = new Date().toISOString();
      void this.work.open({ terminals, tools, checks, returns, practice, now, ...this.shopTime() });
      void this.find();
    });
    effect(() => {
      void this.find();
    });
  }

  private async find(): Promise<void> {
    const wires = this.wires();
    const { temperature, current, voltage } = this.asked();
    const query = {
      wires,
      use: {
        place: this.place(),
        stud: this.stud().trim() || null,
        temperature: asNumber(temperature),
        current: asNumber(current),
        voltage: asNumber(voltage),
      },
      families: this.family() === '' ? [] : [this.family() as Family],
    };
    if (!wires.length || !this.store.cabinet()) {
      this.answer.set(null);
      return;
    }
    const own = ++this.asking;
    const found = await this.work.find(query);
    // What was asked before is no answer to what is asked now.
    if (own === this.asking) this.answer.set(found);
  }

  protected take(event: Event): void {
    event.preventDefault();
    const exact = this.store.of('wire').find((wire) => wire.part === scanned(this.typed()).trim());
    const wire = exact ?? this.offers()[0];
    if (wire) this.add(wire);
  }
  protected add(wire: Wire): void {
    this.wires.update((all) => [...all, wire]);
    this.typed.set('');
    // A scan ends before the page has drawn its letters: the field is emptied by hand, not by the binding alone.
    const field = document.getElementById('finder-wire') as HTMLInputElement | null;
    if (field) field.value = '';
    field?.focus();
  }
  protected drop(index: number): void {
    this.wires.update((all) => all.filter((_, i) => i !== index));
  }
  /** Metric and AWG side by side, never as equals. */
  protected scales(wire: Wire): string {
    return `${metalArea(wire.conductor).toFixed(3)} mm² of metal; ${otherScale(wire.conductor.size).text}`;
  }
  protected mind(line: FinderLine): string {
    return line.reasons.find((r) => r.weight === 'hold')?.text ?? '';
  }
  protected wrong(key: 'temperature' | 'current' | 'voltage'): string {
    const text = this.asked()[key].trim();
    if (text === '') return '';
    const read = readNumber(text);
    return read.outcome === 'refused'
      ? read.text
      : read.rest === '' && read.value > 0
        ? ''
        : 'Type a number above 0 alone.';
  }
  protected setAsked(key: 'temperature' | 'current' | 'voltage', text: string): void {
    this.asked.update((all) => ({ ...all, [key]: text }));
  }
  protected setPlace(chosen: string | null): void {
    this.place.set(PLACES.find((place) => place === chosen) ?? 'dry');
  }
  protected setFamily(chosen: string | null): void {
    this.family.set(FAMILIES.find((family) => family === chosen) ?? '');
  }
}

function asNumber(text: string): number | null {
  const read = readNumber(text);
  return read.outcome === 'number' && read.value > 0 ? read.value : null;
}
