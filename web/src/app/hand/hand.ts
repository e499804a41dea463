import { computed, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { setUpContext, type KeptEntry } from '@tug-mark/contract';
import {
  benchStep,
  checkAsked,
  checkEntry,
  currentRun,
  ofCurrentRun,
  ofLot,
  standingOf,
  computeSetUp,
  entriesOf,
  judgeCombination,
  judgeLot,
  lotNumbers,
  lotOf,
  restsOf,
  type Entry,
  type EntryBody,
  type EntryRefusal,
  type Standing,
} from '@tug-mark/core';
import { timeOrderedId } from '../http/uuid';
import { outboxActions, outboxFeature, type OutboxItem } from '../outbox/outbox.state';
import { sessionFeature } from '../session/session.state';
import { handFeature } from './hand.state';

/**
 * The combination in hand, computed: set-up and judgement from what the server knows and what this device has still to
 * send, by the same core functions the server uses. Everything put on record at the bench goes through here.
 */
@Injectable({ providedIn: 'root' })
export class Hand {
  private readonly store = inject(Store);
  readonly view = this.store.selectSignal(handFeature.selectView);
  readonly problem = this.store.selectSignal(handFeature.selectProblem);
  private readonly outbox = this.store.selectSignal(outboxFeature.selectItems);
  private readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  private readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  /** Instant the set-up is computed for; moves on with every entry and every half minute. */
  readonly now = signal(new Date().toISOString());

  constructor() {
    setInterval(() => {
      this.now.set(new Date().toISOString());
    }, 30_000);
  }

  /** The journal as this device knows it: kept entries, then those still on their way. */
  readonly entries = computed<readonly (Entry & Partial<KeptEntry>)[]>(() => {
    const view = this.view();
    if (!view) return [];
    const kept = new Set(view.entries.map((entry) => entry.id));
    const onTheWay = this.outbox()
      .filter((item) => item.combination === view.combination.id && item.refused === null && !kept.has(item.entry.id))
      .map((item) => ({ ...item.entry, at: item.madeAt, by: item.personName, limit: null }));
    return [...view.entries, ...onTheWay];
  });

  private readonly context = computed(() => {
    const view = this.view();
    return view && setUpContext(view);
  });

  readonly setUp = computed(() => {
    const context = this.context();
    return context && computeSetUp(context, this.entries(), this.now());
  });

  readonly judgement = computed(() => {
    const context = this.context();
    const setUp = this.setUp();
    return context && setUp && judgeCombination(setUp, this.entries(), context, this.now());
  });

  /** The lot in hand, judged; null before the first. */
  readonly lot = computed(() => {
    const view = this.view();
    const setUp = this.setUp();
    // A lot just opened may be known to this device alone.
    const lot = lotNumbers(this.entries()).at(-1) ?? view?.lot ?? null;
    return view && setUp && lot !== null ? judgeLot(setUp, this.entries(), view, lot, this.now()) : null;
  });

  /** What comes next, as every list says it. */
  readonly step = computed(() => {
    const setUp = this.setUp();
    const judgement = this.judgement();
    return setUp && judgement && benchStep(setUp, judgement, this.entries(), this.lot());
  });

  /** Which entries the server has not confirmed yet. */
  readonly unsent = computed(() => new Set(this.outbox().map((item) => item.entry.id)));

  /** Pulls of gauges that are on record here, by when they were made. */
  readonly pulls = computed(() =>
    this.entries().flatMap(({ body }) =>
      body.kind === 'reading' && body.pull && body.gauge !== undefined ? [{ gauge: body.gauge, ...body.pull }] : [],
    ),
  );

  /** Run the set-up is in, and what a release made now would stand on. */
  readonly run = computed(() => currentRun(this.entries()));
  readonly stands = computed<Standing | null>(() => {
    const view = this.view();
    const setUp = this.setUp();
    return view && setUp ? standingOf(setUp, ofCurrentRun(this.entries()), view.revisions) : null;
  });

  /** Entries of one kind in force of one lot. */
  ofLot<K extends EntryBody['kind']>(lot: number, kind: K) {
    return entriesOf(ofLot(this.entries(), lot), kind);
  }

  /** Entries of one kind in force in the current run. */
  of<K extends EntryBody['kind']>(kind: K) {
    return entriesOf(ofCurrentRun(this.entries()), kind);
  }

  /**
   * Puts an entry on record: checked by the rules of the job, kept on this device, sent to the server.
   * @param beside the curve or picture the entry names, sent before it
   * @returns the refusal, or null when it is kept
   */
  put(
    said: EntryBody,
    correction: { corrects: string; why: string } | null = null,
    beside: Pick<OutboxItem, 'curve' | 'photo'> = {},
  ): EntryRefusal | null {
    const view = this.view();
    const setUp = this.setUp();
    const person = this.person();
    const shop = this.shop();
    if (!view || !setUp || !person) {
      return { code: 'not-ready', field: '', text: 'The combination is not loaded yet. Wait a moment and try again.' };
    }
    const run = this.run();
    const body = said.kind === 'run' || run === 1 ? said : { ...said, run };
    const about = { isCorrection: correction !== null, why: correction?.why ?? null, by: person.name };
    const now = new Date();
    const at = now.toISOString();
    const rests = restsOf(setUp, this.entries(), setUpContext(view), lotOf(body), at);
    const check = checkEntry(setUp, this.entries(), body, about, rests);
    if (!check.ok) return check.refusal;
    const missing = correction ? null : checkAsked(this.entries(), body);
    if (missing) return missing;
    this.now.set(at);
    this.store.dispatch(
      outboxActions.put({
        item: {
          entry: {
            id: timeOrderedId(now.getTime()),
            body,
            corrects: correction?.corrects ?? null,
            why: correction?.why ?? null,
          },
          combination: view.combination.id,
          person: person.id,
          personName: person.name,
          ...(shop && { shop: { id: shop.id, name: shop.name } }),
          madeAt: at,
          refused: null,
          ...beside,
        },
      }),
    );
    return null;
  }
}
