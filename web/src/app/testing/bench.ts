import { type ComponentHarness, type HarnessQuery } from '@angular/cdk/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { provideZonelessChangeDetection, signal, type Provider, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { provideStore, Store } from '@ngrx/store';
import { en_US, NZ_I18N } from 'ng-zorro-antd/i18n';
import type { CombinationView, GaugeEvent, Role } from '@tug-mark/contract';
import type { EntryBody } from '@tug-mark/core';
import { handActions, handFeature } from '../hand/hand.state';
import { Api } from '../http/api';
import { Live, type News } from '../live/live';
import { Subject } from 'rxjs';
import { outboxFeature } from '../outbox/outbox.state';
import { settingsFeature } from '../settings/settings.state';
import { sessionActions, sessionFeature } from '../session/session.state';
import { SelectHarness } from './harness/select.harness';
import { signedIn } from './made-up';

export { kept, pulled, seen, signedIn, stepsDone, TOOL_TAKEN, viewOf } from './made-up';

/** How long something deferred is waited for, ms. */
const PATIENCE = 4000;

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
      /** What this device has kept from before. */
      kept?: Readonly<Record<string, string>>;
      /** What stands in the place of something the page would open by itself. */
      providers?: readonly Provider[];
    } = {},
  ): Promise<Bench<T>> {
    localStorage.clear();
    sessionStorage.clear();
    for (const [key, text] of Object.entries(options.kept ?? {})) localStorage.setItem(key, text);
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
          useValue: {
            gauges: () => Promise.resolve([]),
            limits: () => Promise.resolve([]),
            listColumns: () => Promise.resolve([]),
            keepListColumns: () => Promise.resolve({}),
            planQueue: () => Promise.resolve({ revision: 0, given: null, zone: 'UTC', made: [], checks: [] }),
            ...options.api,
          },
        },
        { provide: Live, useValue: live },
        { provide: NZ_I18N, useValue: en_US },
        ...(options.providers ?? []),
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

  /** Settles until something is so, or for as long as a person would wait: what is deferred comes when the browser is idle. */
  async until(isSo: () => boolean): Promise<void> {
    for (const started = performance.now(); !isSo() && performance.now() - started < PATIENCE;) await this.settle();
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
  /** Types into the field under a label. */
  async fill(label: string, text: string): Promise<void> {
    const field = [...this.element.querySelectorAll('label')]
      .find((each) => each.textContent?.trim().startsWith(label))
      ?.querySelector('input');
    if (!field) throw new Error(`no field ${label}`);
    field.value = text;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    await this.settle();
  }
  /** A part of the kit on this bench, spoken to by its harness. */
  async part<H extends ComponentHarness>(query: HarnessQuery<H>): Promise<H> {
    return TestbedHarnessEnvironment.loader(this.fixture).getHarness(query);
  }
  /** What an opening list offers, as far as it is drawn. */
  async offers(id: string): Promise<string[]> {
    return (await this.part(SelectHarness.with({ id }))).offers();
  }
  /** Chooses from an opening list, by what it offers. */
  async choose(id: string, text: string): Promise<void> {
    await (await this.part(SelectHarness.with({ id }))).choose(text);
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
