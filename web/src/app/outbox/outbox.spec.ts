import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import type { Here, KeptEntry } from '@tug-mark/contract';
import { Api, ApiProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { sessionActions, sessionFeature } from '../session/session.state';
import { signedIn } from '../testing/made-up';
import { OutboxDb } from './outbox-db';
import * as effects from './outbox.effects';
import { outboxActions, outboxFeature, pauseAfter, type OutboxItem } from './outbox.state';

const problem = (status: number, code = 'x') =>
  new ApiProblem({
    type: code === 'x' ? 'about:blank' : `urn:tug-mark:problem:${code}`,
    title: 'No.',
    detail: 'Do else.',
    status,
    code,
  });
const here = (id: string, name: string): Here => {
  const { person, shop } = signedIn('technician', name);
  return { person: person && { ...person, id }, shop };
};

function item(id: string, person = 'odile'): OutboxItem {
  const body = { kind: 'finding', piece: 1, criterion: 'seam', finding: 'accept', note: '' } as const;
  return {
    entry: { id, body, corrects: null, why: null },
    combination: 'c',
    person,
    personName: person,
    madeAt: '',
    refused: null,
  };
}

describe('The outbox', () => {
  let store: Store;
  let answers: (() => Promise<KeptEntry>)[];
  let sent: string[];
  let kept: Map<string, OutboxItem>;
  let dated: { madeAt?: string | undefined; sentAt?: string | undefined; body?: unknown }[];
  let curveAnswer: () => Promise<{ digest: string }>;

  beforeEach(() => {
    answers = [];
    sent = [];
    dated = [];
    kept = new Map();
    curveAnswer = () => Promise.resolve({ digest: '' });
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideStore({ [sessionFeature.name]: sessionFeature.reducer, [outboxFeature.name]: outboxFeature.reducer }),
        provideEffects(effects),
        {
          provide: Api,
          useValue: {
            putCurve: (_combination: string, id: string) => {
              sent.push(id);
              return curveAnswer();
            },
            putPhoto: (_combination: string, id: string, photo: Blob) => {
              sent.push(`${id}, ${photo.size} bytes`);
              return Promise.resolve({ id, digest: 'd'.repeat(64) });
            },
            putOnRecord: (_combination: string, entry: { id: string; madeAt?: string; sentAt?: string }) => {
              sent.push(entry.id);
              dated.push(entry);
              const next = answers.shift();
              return next ? next() : Promise.resolve({ ...entry, seq: sent.length } as unknown as KeptEntry);
            },
          },
        },
        {
          provide: OutboxDb,
          useValue: {
            all: () => Promise.resolve([...kept.values()]),
            put: (i: OutboxItem) => Promise.resolve(kept.set(i.entry.id, i)),
            remove: (id: string) => Promise.resolve(kept.delete(id)),
          },
        },
      ],
    });
    store = TestBed.inject(Store);
    store.dispatch(sessionActions.arrived({ here: here('odile', 'Odile') }));
  });
  const settle = () => new Promise((resolve) => setTimeout(resolve, 30));
  const items = () => store.selectSignal(outboxFeature.selectItems)();

  it('sends a curve before the reading that names it, and neither while the curve does not arrive', async () => {
    const withCurve = { ...item('a'), curve: { id: 'curve', bytes: new Blob(['x']) } };
    curveAnswer = () => Promise.reject(problem(0));
    store.dispatch(outboxActions.put({ item: withCurve }));
    await settle();
    expect(sent).toEqual(['curve']);
    curveAnswer = () => Promise.resolve({ digest: '' });
    store.dispatch(outboxActions.flush());
    await settle();
    expect(sent).toEqual(['curve', 'curve', 'a']);
  });

  it('sends a picture before its photograph, which then names it as the server wrote it', async () => {
    const photograph = item('b');
    const body = {
      ...{ kind: 'photo' as const, piece: 1, shows: 'end on' as const, note: '' },
      photo: { id: 'p', digest: '0'.repeat(64) },
    };
    store.dispatch(
      outboxActions.put({ item: { ...photograph, entry: { ...photograph.entry, body }, photo: new Blob(['jpeg']) } }),
    );
    await settle();
    expect(sent).toEqual(['p, 4 bytes', 'b']);
    expect(dated[0]?.body).toEqual(jasmine.objectContaining({ photo: { id: 'p', digest: 'd'.repeat(64) } }));
    expect(items()).toEqual([]);
  });

  it('sends what was handed over in the name of whoever took it, and keeps that through a reload', async () => {
    store.dispatch(outboxActions.put({ item: item('a', 'tove') }));
    await settle();
    expect(sent).toEqual([]);
    answers = [() => Promise.reject(problem(503))];
    store.dispatch(outboxActions.handedOver({ id: 'a', person: 'odile', personName: 'Odile' }));
    await settle();
    expect(sent).toEqual(['a']);
    expect(kept.get('a')?.personName).toBe('Odile');
  });

  it('sends in the order of making and forgets what the server has', async () => {
    for (const id of ['a', 'b', 'c']) store.dispatch(outboxActions.put({ item: item(id) }));
    await settle();
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(items()).toEqual([]);
    expect(kept.size).toBe(0);
  });

  it('keeps what a silent server did not answer, and sends it again under the same id', async () => {
    answers = [() => Promise.reject(problem(0, 'offline'))];
    store.dispatch(outboxActions.put({ item: item('a') }));
    await settle();
    expect(store.selectSignal(outboxFeature.selectOffline)()).toBeTrue();
    expect([...kept.keys()]).toEqual(['a']);
    store.dispatch(outboxActions.flush());
    await settle();
    expect(sent).toEqual(['a', 'a']);
    expect(store.selectSignal(outboxFeature.selectOffline)()).toBeFalse();
    expect(items()).toEqual([]);
  });

  it('takes nothing for a refusal but one the server states: a database that is away, a proxy’s page, a fault', async () => {
    const notRefusals = [
      problem(503, 'away'),
      problem(500, 'fault'),
      problem(502),
      problem(404),
      problem(429, 'too-many-tries'),
    ];
    for (const [i, answer] of notRefusals.entries()) {
      answers = [() => Promise.reject(answer)];
      store.dispatch(outboxActions.put({ item: item(`n${i}`) }));
      await settle();
      expect(items().filter((each) => each.refused))
        .withContext(String(answer.problem.status))
        .toEqual([]);
      expect(kept.has(`n${i}`)).toBeTrue();
      answers = [];
      // Whatever it was, the next try goes through.
      await new Promise((resolve) => setTimeout(resolve, 1100));
      store.dispatch(outboxActions.flush());
      await settle();
      expect(items()).toEqual([]);
    }
  }, 20_000);

  it('goes on with the others while one waits for a fault to pass, and pauses longer each time', async () => {
    answers = [() => Promise.reject(problem(500, 'fault'))];
    store.dispatch(outboxActions.put({ item: item('a') }));
    store.dispatch(outboxActions.put({ item: item('b') }));
    await settle();
    expect(sent).toEqual(['a', 'b']);
    expect(items().map((i) => i.entry.id)).toEqual(['a']);
    expect([1, 2, 3, 7, 20].map(pauseAfter)).toEqual([1000, 2000, 4000, 60_000, 60_000]);
  });

  it('dates each entry by the device that made it, and says what that clock shows as it is sent', async () => {
    store.dispatch(outboxActions.put({ item: { ...item('a'), madeAt: '2026-11-26T07:00:00.000Z' } }));
    await settle();
    expect(dated[0]?.madeAt).toBe('2026-11-26T07:00:00.000Z');
    expect(Math.abs(Date.parse(dated[0]?.sentAt ?? '') - Date.now())).toBeLessThan(5000);
  });

  it('waits for the same person to sign in again when the session has ended', async () => {
    answers = [() => Promise.reject(problem(401))];
    store.dispatch(outboxActions.put({ item: item('a') }));
    await settle();
    expect(store.selectSignal(sessionFeature.selectState)()).toBe('expired');
    store.dispatch(sessionActions.arrived({ here: here('ines', 'Ines') }));
    await settle();
    expect(sent).toEqual(['a']);
    store.dispatch(sessionActions.arrived({ here: here('odile', 'Odile') }));
    await settle();
    expect(sent).toEqual(['a', 'a']);
    expect(items()).toEqual([]);
  });

  it('holds a refused entry with its reason, goes on with the rest, and drops it only when told to', async () => {
    answers = [() => Promise.reject(problem(409, 'slot-taken'))];
    store.dispatch(outboxActions.put({ item: item('a') }));
    store.dispatch(outboxActions.put({ item: item('b') }));
    await settle();
    expect(sent).toEqual(['a', 'b']);
    expect(items().map((i) => [i.entry.id, i.refused?.code])).toEqual([['a', 'slot-taken']]);
    expect(kept.get('a')?.refused?.code).toBe('slot-taken');
    store.dispatch(outboxActions.dropped({ id: 'a' }));
    await settle();
    expect(kept.size).toBe(0);
  });

  it('finds after a reload what was left unsent', async () => {
    kept.set('old', item('old'));
    store.dispatch(outboxActions.restored({ items: [item('old')] }));
    await settle();
    expect(sent).toEqual(['old']);
  });
});

describe('An id made here', () => {
  it('is a version 7 UUID, and later ones sort after earlier ones', () => {
    const early = timeOrderedId(1_764_000_000_000);
    const late = timeOrderedId(1_764_000_000_001);
    expect(early).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
    expect(early < late).toBeTrue();
  });
});
