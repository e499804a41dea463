import type { Knex } from 'knex';
import { setTimeout as startTimer } from 'node:timers';
import { setTimeout } from 'node:timers/promises';
import { findBlocksBehind, refreshBlocks } from '../charts/blocks';
import type { Hub } from '../live/hub';
import { readZone } from '../people/store';
import { findBehind, findNew, refreshStandings } from './store';

/** Combinations worked out at a time. */
const PORTION = 40;
/** Looked at without any news this often: days end and times run out. */
const SWEEP_MS = 30_000;
/** A combination rests this many times as long as it took, so that a lot of thousands does not take a core for itself. */
const REST = 20;
/** After each portion the work pauses this many times as long as that took: keeping readings comes first. */
const PAUSE = 5;
/** Whoever asks for a list does not wait for a combination that takes longer, ms. */
const QUICK = 150;

/**
 * Keeps standings and blocks of readings up with the journal. Any number of processes may run one: each takes what is behind, and what both
 * worked out is the same.
 */
export class Projector {
  private readonly resting = new Map<string, { readonly until: number; readonly took: number }>();
  private running: Promise<void> | null = null;
  private isAsked = false;
  private isClosed = false;
  private again: NodeJS.Timeout | undefined;
  private readonly end: () => void;
  private readonly timer: NodeJS.Timeout;

  constructor(
    private readonly db: Knex,
    hub: Hub,
  ) {
    this.end = hub.listen(() => {
      this.look();
    });
    this.timer = setInterval(() => {
      this.look();
    }, SWEEP_MS);
    this.timer.unref();
  }

  /** Begins to work off what is behind, unless that is being done. */
  look(): void {
    if (this.isClosed) return;
    if (this.running) {
      this.isAsked = true;
      return;
    }
    this.running = this.workOff().finally(() => {
      this.running = null;
      if (this.isAsked) {
        this.isAsked = false;
        this.look();
      }
    });
  }

  /** Brings these up at once, whatever else waits: all that have no standing yet, and a portion of those behind. */
  async settle(ids: readonly string[]): Promise<void> {
    const shop = { zone: await readZone(this.db) };
    for (let fresh = await findNew(this.db, ids, PORTION); fresh.length; fresh = await findNew(this.db, ids, PORTION)) {
      await this.refresh(fresh, shop);
    }
    const behind = await findBehind(this.db, shop, PORTION, { among: ids, except: this.restingNow(QUICK) });
    if (behind.length) await this.refresh(behind, shop);
  }

  async close(): Promise<void> {
    this.isClosed = true;
    clearInterval(this.timer);
    clearTimeout(this.again);
    this.end();
    await this.running;
  }

  private async workOff(): Promise<void> {
    try {
      const shop = { zone: await readZone(this.db) };
      while (!this.isClosed) {
        const ids = await findBehind(this.db, shop, PORTION, { except: this.restingNow() });
        if (!ids.length) break;
        const took = await this.refresh(ids, shop);
        await setTimeout(PAUSE * took, undefined, { ref: false });
      }
      while (!this.isClosed) {
        const [id] = await findBlocksBehind(this.db, 1);
        if (id === undefined) break;
        const before = performance.now();
        await refreshBlocks(this.db, id);
        await setTimeout(PAUSE * (performance.now() - before), undefined, { ref: false });
      }
    } catch {
      // The database is away: the next look, or the next sweep, goes on.
    }
    const ends = [...this.resting.values()].map(({ until }) => until);
    clearTimeout(this.again);
    if (!ends.length || this.isClosed) return;
    this.again = startTimer(
      () => {
        this.look();
      },
      Math.max(0, Math.min(...ends) - performance.now()),
    );
    this.again.unref();
  }

  /** @returns how long it took, ms */
  private async refresh(ids: readonly string[], shop: { zone: string }): Promise<number> {
    const before = performance.now();
    await refreshStandings(this.db, ids, shop);
    const now = performance.now();
    const took = (now - before) / ids.length;
    for (const id of ids) this.resting.set(id, { until: now + REST * took, took });
    return now - before;
  }

  /** @param slower those alone that took longer, ms */
  private restingNow(slower = 0): string[] {
    const now = performance.now();
    for (const [id, { until }] of this.resting) if (until <= now) this.resting.delete(id);
    return [...this.resting].flatMap(([id, { took }]) => (took > slower ? [id] : []));
  }
}
