import { provideZonelessChangeDetection, signal, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { provideStore, Store } from '@ngrx/store';
import { en_US, NZ_I18N } from 'ng-zorro-antd/i18n';
import {
  setUpContext,
  type CombinationView,
  type GaugeEvent,
  type Here,
  type KeptEntry,
  type Role,
} from '@tug-mark/contract';
import { computeSetUp, NO_DEMAND, type EntryBody } from '@tug-mark/core';
import {
  bareRing,
  insulatedRing,
  limitTable,
  practice,
  stripper,
  tool,
  wire075,
} from '../../../../core/src/testing/shop';
import { handActions, handFeature } from '../hand/hand.state';
import { Api } from '../http/api';
import { Live, type News } from '../live/live';
import { Subject } from 'rxjs';
import { outboxFeature } from '../outbox/outbox.state';
import { settingsFeature } from '../settings/settings.state';
import { sessionActions, sessionFeature } from '../session/session.state';

const hoursAgo = (hours: number) => new Date(Date.now() - hours * 3_600_000).toISOString();

/** A bare ring on 0.75 mm2 with a tool checked an hour ago, and a limit of 85 N. */
export function viewOf(changes: Partial<CombinationView> = {}): CombinationView {
  return {
    combination: {
      id: 'c1',
      list: 'Sprayer loom',
      terminal: 'RB',
      wire: 'W-075',
      pieces: 24,
      place: 'dry',
      class: '2',
      customer: null,
      demand: NO_DEMAND,
      readIn: false,
    },
    wire: wire075,
    terminal: bareRing,
    practice,
    strippers: [{ ...stripper, repeatability: 0.1, step: 0.1 }],
    tools: [tool],
    checks: [
      {
        id: 'k1',
        tool: 'HT',
        die: null,
        nest: null,
        at: hoursAgo(1),
        goPassed: true,
        noGoStopped: true,
        by: 'Odile',
        setting: null,
        cycles: null,
      },
    ],
    returns: [],
    limits: [
      {
        ...limitTable,
        effectiveFrom: '2020-01-01',
        rows: [
          { size: { scale: 'mm2', value: 0.75 }, families: [], material: null, force: 85, percent: null, hold: null },
        ],
      },
    ],
    looks: [],
    cabinet: [insulatedRing],
    together: [],
    coverings: [],
    lot: null,
    zone: 'UTC',
    revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
    newest: { terminal: 1, wire: 1, together: [], practice: 1 },
    entries: [],
    ...changes,
  };
}

/** A kept entry as the server gives it back. */
export function kept(body: EntryBody, changes: Partial<KeptEntry> = {}): KeptEntry {
  const id = `kept-${Math.random().toString(36).slice(2)}`;
  return {
    id,
    seq: 1,
    at: hoursAgo(0.5),
    by: 'Odile',
    role: 'technician',
    body,
    verdict: null,
    limit: body.kind === 'reading' ? { document: 'FL-SPEC-07', revision: 'C', class: '2' } : null,
    corrects: null,
    why: null,
    madeAt: null,
    clockBehind: null,
    version: 2,
    previous: '',
    hash: '',
    ...changes,
  };
}
/** A piece somebody has looked at. */
export const seen = (piece: number) => kept({ kind: 'finding', piece, criterion: 'mark', finding: 'accept', note: '' });
/** Every step of the crimp confirmed, as the set-up of a view with its tool taken asks. */
export function stepsDone(view: CombinationView): KeptEntry[] {
  const context = setUpContext(view);
  const { gates } = computeSetUp(context, [...view.entries, TOOL_TAKEN()], new Date().toISOString());
  return gates.map(({ gate }) => kept({ kind: 'gate', gate, answer: 'yes', note: '' }));
}
export const TOOL_TAKEN = () => kept({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' });
export const pulled = (piece: number, force: number, changes: Partial<Extract<EntryBody, { kind: 'reading' }>> = {}) =>
  kept({
    kind: 'reading',
    piece,
    force,
    typed: String(force),
    unit: 'N',
    mode: 'slid-out',
    note: '',
    confirmed: ['pulled-already'],
    ...changes,
  });

export function signedIn(role: Role, name = 'Odile'): Here {
  const person = { id: name, name, role, active: true, qualifiedUntil: null };
  return { person, shop: { id: 's1', name: 'Fennick Lane', isDemo: true, zone: 'UTC', isNew: false, demoSignIns: [] } };
}

/** A component on a bench of its own: the real store and computation, no server. Spoken to as a person would. */
export class Bench<T> {
  private constructor(
    readonly fixture: ComponentFixture<T>,
    readonly store: Store,
  ) {}

  static async open<T>(
    component: Type<T>,
    options: {
      view?: CombinationView | null;
      role?: Role;
      api?: Partial<Record<keyof Api, unknown>>;
      inputs?: Record<string, unknown>;
    } = {},
  ): Promise<Bench<T>> {
    localStorage.clear();
    sessionStorage.clear();
    // No stream in a test: what the server would tell is told by it.
    const live = {
      gauge: signal<string | null>(null),
      caliper: signal<string | null>(null),
      isOpen: signal(true),
      news: new Subject<News>(),
      gaugeEvents: new Subject<GaugeEvent>(),
      caliperEvents: new Subject<GaugeEvent>(),
    };
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        provideStore({
          [sessionFeature.name]: sessionFeature.reducer,
          [outboxFeature.name]: outboxFeature.reducer,
          [handFeature.name]: handFeature.reducer,
          [settingsFeature.name]: settingsFeature.reducer,
        }),
        {
          provide: Api,
          useValue: { gauges: () => Promise.resolve([]), limits: () => Promise.resolve([]), ...options.api },
        },
        { provide: Live, useValue: live },
        { provide: NZ_I18N, useValue: en_US },
      ],
    });
    const store = TestBed.inject(Store);
    spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    store.dispatch(sessionActions.arrived({ here: signedIn(options.role ?? 'technician') }));
    if (options.view) {
      store.dispatch(handActions.take({ id: options.view.combination.id }));
      store.dispatch(handActions.loaded({ view: options.view }));
    }
    const fixture = TestBed.createComponent(component);
    for (const [name, value] of Object.entries(options.inputs ?? {})) fixture.componentRef.setInput(name, value);
    document.body.appendChild(fixture.nativeElement as HTMLElement);
    const bench = new Bench(fixture, store);
    await bench.settle();
    return bench;
  }

  /** What this station's gauge sends. */
  hear(event: GaugeEvent): void {
    TestBed.inject(Live).gaugeEvents.next(event);
  }

  /** The button of this station's caliper is pressed. */
  measure(millimetres: number): void {
    TestBed.inject(Live).caliperEvents.next({ kind: 'length', gauge: 'C-1', millimetres });
  }

  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }
  get text(): string {
    return (this.element.textContent ?? '').replace(/\s+/g, ' ');
  }
  get headline(): string {
    return this.element.querySelector('h1')?.textContent?.trim() ?? '';
  }
  get wentTo(): unknown[] | undefined {
    return (TestBed.inject(Router).navigate as jasmine.Spy).calls.mostRecent()?.args[0] as unknown[] | undefined;
  }
  /** Bodies put on record and not sent yet, in order. */
  get put(): { body: EntryBody; why: string | null }[] {
    return this.store
      .selectSignal(outboxFeature.selectItems)()
      .map(({ entry: { body, why } }) => ({ body, why }));
  }

  async settle(): Promise<void> {
    await this.fixture.whenStable();
    await new Promise((resolve) => setTimeout(resolve, 5));
    await this.fixture.whenStable();
  }

  button(text: string): HTMLButtonElement {
    const all = [...this.element.querySelectorAll('button')];
    const found = all.find((b) => b.textContent?.trim() === text) ?? all.find((b) => b.textContent?.includes(text));
    if (!found)
      throw new Error(`no button says '${text}'; there are: ${all.map((b) => b.textContent?.trim()).join(' | ')}`);
    return found;
  }
  has(text: string): boolean {
    return [...this.element.querySelectorAll('button')].some((b) => b.textContent?.includes(text));
  }
  async press(text: string): Promise<void> {
    this.button(text).click();
    await this.settle();
  }
  /** A key pressed by a hand, with the pause a hand makes. */
  async key(key: string): Promise<void> {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    await new Promise((resolve) => setTimeout(resolve, 70));
    await this.settle();
  }
  async type(id: string, text: string): Promise<void> {
    const field = this.element.querySelector<HTMLInputElement>(`#${id}`);
    if (!field) throw new Error(`no field #${id}`);
    field.value = text;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    await this.settle();
  }
  private async options(id: string): Promise<HTMLElement[]> {
    const list = () => [...document.querySelectorAll<HTMLElement>(`.of-${CSS.escape(id)} nz-option-item`)];
    if (list().length) return list();
    this.element
      .querySelector(`#${CSS.escape(id)}`)
      ?.closest<HTMLElement>('nz-select')
      ?.click();
    await new Promise((resolve) => setTimeout(resolve, 60));
    await this.settle();
    return list();
  }
  /** What an opening list offers, as far as it is drawn. */
  async offers(id: string): Promise<string[]> {
    return (await this.options(id)).map((option) => option.textContent?.trim() ?? '');
  }
  /** Chooses from an opening list, by what it offers. */
  async choose(id: string, text: string): Promise<void> {
    const offered = await this.options(id);
    const found = offered.find((option) => option.textContent?.includes(text));
    if (!found) throw new Error(`#${id} offers: ${offered.map((option) => option.textContent?.trim()).join(' | ')}`);
    found.click();
    await this.settle();
  }
  async submit(selector = 'form'): Promise<void> {
    this.element.querySelector(selector)?.dispatchEvent(new Event('submit', { bubbles: true, cancelable: true }));
    await this.settle();
  }
  close(): void {
    this.element.remove();
    this.fixture.destroy();
    TestBed.resetTestingModule();
  }
}
