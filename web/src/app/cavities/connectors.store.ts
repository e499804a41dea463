import { computed, inject } from '@angular/core';
import { FormControl } from '@angular/forms';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import type { LoomConnectors, Problem } from '@tug-mark/contract';
import { cavityMap, type EntryBody } from '@tug-mark/core';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';

/** A box that is ticked until somebody says otherwise. */
export const ticked = () => new FormControl(true, { nonNullable: true });

interface Correction {
  readonly corrects: string | null;
  readonly why: string | null;
}
const UNCORRECTED: Correction = { corrects: null, why: null };

interface State {
  readonly id: string | null;
  readonly list: LoomConnectors | null;
  readonly problem: Problem | null;
  /** The connector and the loom in hand. */
  readonly name: string | null;
  readonly loom: number;
  /** The cavity a person named; null follows what comes next. */
  readonly named: string | null;
}

/**
 * The connectors of a list as they are filled at this station. What is put on record is kept by the server at once: another station
 * may fill the same connector, and a cavity is filled once.
 */
export const ConnectorsStore = signalStore(
  withState<State>({ id: null, list: null, problem: null, name: null, loom: 1, named: null }),
  withComputed(({ list, name, loom, named }) => {
    const connector = computed(
      () => list()?.connectors.find((each) => each.name === name()) ?? list()?.connectors[0] ?? null,
    );
    const map = computed(() => {
      const [own, all] = [connector(), list()];
      const wires = own?.wires.filter(({ looms }) => looms >= loom()) ?? [];
      return own && all ? cavityMap(own.part, own.name, wires, loom(), all.work) : null;
    });
    const cavity = computed(() => {
      const found = map();
      const id = named() ?? found?.next;
      return (
        found?.cavities.find((each) => each.id === id) ??
        found?.cavities.find(({ state }) => state !== 'unused') ??
        found?.cavities[0] ??
        null
      );
    });
    /** The combination of what sits in a cavity that the list leaves empty, and how it comes out; null where nothing does. */
    const stray = computed(() => {
      const [own, all] = [cavity(), list()];
      const combination = all?.work.find(({ id }) => id === own?.entry)?.combination;
      if (own?.wire || own?.state !== 'loose' || !all || !combination) return null;
      const wires = all.connectors.flatMap((each) => each.wires);
      const contact = wires.find((each) => each.combination === combination)?.contact ?? null;
      return contact && { combination, contact };
    });
    /** What every entry about this connector says: its name, and the loom. */
    const at = computed(() => ({ piece: loom(), connector: connector()?.name ?? '' }));
    /**
     * The combination whose journal tells of the lock, which belongs to the whole connector: of its first contact, and later the
     * same, whatever the list says by then; undefined where no contact has one.
     */
    const lockOn = computed(() => {
      const { piece, connector: of } = at();
      const told = list()?.work.find(
        ({ body }) => body.kind === 'lock' && body.piece === piece && body.connector === of,
      );
      return told?.combination ?? map()?.cavities.find(({ wire }) => wire?.combination)?.wire?.combination ?? undefined;
    });
    return { connector, map, cavity, stray, at, lockOn };
  }),
  withMethods((store, api = inject(Api)) => ({
    async load(id: string): Promise<void> {
      try {
        patchState(store, { id, list: await api.connectors(id), problem: null });
      } catch (error) {
        patchState(store, { problem: toProblem(error) });
      }
    },
    turnTo(name: string, loom = 1): void {
      patchState(store, { name, loom, named: null, problem: null });
    },
    pick(named: string | null): void {
      patchState(store, { named, problem: null });
    },
    /**
     * Keeps what was done; true when it is on record.
     * @param correction the entry it replaces, and why
     */
    async put(combination: string, body: EntryBody, correction: Correction = UNCORRECTED): Promise<boolean> {
      const at = new Date().toISOString();
      try {
        const kept = await api.putOnRecord(combination, {
          ...{ id: timeOrderedId(), body, ...correction, madeAt: at, sentAt: at },
        });
        const list = store.list();
        patchState(store, {
          list: list && { ...list, work: [...list.work, { ...kept, combination }] },
          problem: null,
          named: null,
        });
        return true;
      } catch (error) {
        patchState(store, { problem: toProblem(error) });
        // What it was refused for may be another station's work: it is shown, and what was typed stays.
        const id = store.id();
        const list = id === null ? null : await api.connectors(id).catch(() => null);
        if (list) patchState(store, { list });
        return false;
      }
    },
  })),
);
export type ConnectorsStore = InstanceType<typeof ConnectorsStore>;
