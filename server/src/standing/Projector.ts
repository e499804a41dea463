import type { ShopTime } from '@tug-mark/core';
import type { Knex } from 'knex';
import { setTimeout as startTimer } from 'node:timers';
import { setTimeout } from 'node:timers/promises';
import { findBlocksBehind, refreshBlocks } from '../charts/blocks';
import type { Hub } from '../live/hub';
import { readZone } from '../shop/store';
import { findBehind, refreshStandings, type Page } from './store';

/** Combinations worked out at a time. */
const PORTION = 40;
/** Looked at without any news this often: days end and times run out. */
const SWEEP_MS = 30_000;
/** A combination rests this many times as long as it took, so that a lot of thousands does not take a core for itself. */
const REST = 20;
/** And this long in any case, ms: a station that reads piece after piece is not worked out again for each. */
const LEAST_REST = 3000;
/** The journal is looked at for what is behind at most this often, ms: news comes in tens a second. */
const GATHER_MS = 1000;
/** After each portion the work pauses this many times as long as that took: keeping readings comes first. */
const PAUSE = 5;
/** Whoever asks for a list does not wait for a combination that takes longer, ms. */
const QUICK = 150;

/**
 * Keeps standings and blocks of readings up with the journal. Any number of processes may run one: each takes what is
 * behind, and what both worked out is the same.
 */
export class Projector {
  private readonly resting = new Map<string, { readonly until: number; readonly took: number }>();
  private running: Promise<void> | null = null;
  private isAsked = false;
  /** Combinations something was put on record in since they were worked out. */
  private readonly touched = new Set<string>();
  /** Something else changed, or the time came: each is looked at. */
  private isEachDue = true;
  private readonly closing = new AbortController();
  private again: NodeJS.Timeout | undefined;
  private due = 0;
  private lastEnded = -Infinity;
  private readonly end: () => void;
  private readonly timer: NodeJS.Timeout;

  constructor(
    private readonly db: Knex,
    hub: Hub,
  ) {
    this.end = hub.listen((news) => {
      if (news.kind === 'signed-out') return;
      if (news.kind === 'entry') this.touched.add(news.combination);
      else this.isEachDue = true;
      this.look();
    });
    this.timer = setInterval(() => {
      this.isEachDue = true;
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
    const wait = this.lastEnded + GATHER_MS - performance.now();
    if (wait > 0) {
      this.lookIn(wait);
      return;
    }
    this.running = this.workOff().finally(() => {
      this.running = null;
      this.lastEnded = performance.now();
      if (this.isAsked) {
        this.isAsked = false;
        this.look();
      }
    });
  }

  /**
   * Brings these up at once, whatever else waits: all that have no standing yet, and a portion of those behind.
   *
   * @returns whether there was anything to work out
   */
  async settle({ fresh, behind }: Page, shop: ShopTime): Promise<boolean> {
    for (let from = 0; from < fresh.length; from += PORTION) {
      await this.refresh(fresh.slice(from, from + PORTION), shop);
    }
    const slow = new Set(this.restingNow(QUICK));
    const due = behind.filter((id) => !slow.has(id)).slice(0, PORTION);
    if (due.length) await this.refresh(due, shop);
    return fresh.length + due.length > 0;
  }

  async close(): Promise<void> {
    this.closing.abort();
    clearInterval(this.timer);
    clearTimeout(this.again);
    this.end();
    await this.running;
  }

  private async workOff(): Promise<void> {
    const resting = new Set(this.restingNow());
    // Those that rest are not even asked about: they stay touched until their rest ends.
    const among = this.isEachDue ? undefined : [...this.touched].filter((id) => !resting.has(id));
    this.isEachDue = false;
    for (const id of among ?? [...this.touched]) this.touched.delete(id);
    try {
      if (among?.length !== 0) await this.workOffLines(among);
      // A chart takes up by itself what its blocks lack: they need not follow every reading.
      if (!among) await this.workOffBlocks();
    } catch {
      // The database is away: the next look, or the next sweep, goes on.
      this.isEachDue = true;
    }
    const ends = [...this.resting.values()].map(({ until }) => until);
    if (ends.length) this.lookIn(Math.max(GATHER_MS, Math.min(...ends) - performance.now()));
  }

  /** @param among undefined looks at each */
  private async workOffLines(among: readonly string[] | undefined): Promise<void> {
    const shop = { zone: await readZone(this.db) };
    while (!this.isClosed) {
      const except = this.restingNow();
      const ids = await findBehind(this.db, shop, PORTION, { except, ...(among && { among }) });
      if (!ids.length) {
        // Whatever was put on record while they rest is still to be worked out.
        for (const id of except) if (!among || among.includes(id)) this.touched.add(id);
        break;
      }
      const took = await this.refresh(ids, shop);
      await this.pause(PAUSE * took);
    }
  }

  private async workOffBlocks(): Promise<void> {
    while (!this.isClosed) {
      const [id] = await findBlocksBehind(this.db, 1);
      if (id === undefined) break;
      const before = performance.now();
      await refreshBlocks(this.db, id);
      await this.pause(PAUSE * (performance.now() - before));
    }
  }

  /** Ends at once with the program: a stop waits for no pause. */
  private async pause(ms: number): Promise<void> {
    await setTimeout(ms, undefined, { ref: false, signal: this.closing.signal }).catch(() => undefined);
  }

  private get isClosed(): boolean {
    return this.closing.signal.aborted;
  }

  /** Looks again after so many ms, unless that is sooner already. */
  private lookIn(ms: number): void {
    if (this.isClosed) return;
    const due = performance.now() + ms;
    if (this.again && this.due <= due) return;
    clearTimeout(this.again);
    this.due = due;
    this.again = startTimer(() => {
      this.again = undefined;
      this.look();
    }, ms);
    this.again.unref();
  }

  /** @returns how long it took, ms */
  private async refresh(ids: readonly string[], shop: ShopTime): Promise<number> {
    const before = performance.now();
    await refreshStandings(this.db, ids, shop);
    const now = performance.now();
    const took = (now - before) / ids.length;
    for (const id of ids) this.resting.set(id, { until: now + Math.max(LEAST_REST, REST * took), took });
    return now - before;
  }

  /** @param slower those alone that took longer, ms */
  private restingNow(slower = 0): string[] {
    const now = performance.now();
    for (const [id, { until }] of this.resting) if (until <= now) this.resting.delete(id);
    return [...this.resting].flatMap(([id, { took }]) => (took > slower ? [id] : []));
  }
}
