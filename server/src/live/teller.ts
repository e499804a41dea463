import type { Knex } from 'knex';
import { runPrepared } from '../db/prepared';

/** Lines of one notification: it may hold 8,000 bytes, and every listener takes each by itself. */
const LINES = 150;
const TELL = "SELECT pg_notify('tug_mark_entry', news) FROM unnest($1::text[]) news";
/** The first entry is told of at once; what is kept within this time after it in one go. */
const GATHER_MS = 25;

/**
 * Tells every process what was kept, after it was: inside the transaction a notification would make all writers wait for
 * each other (docs/decisions/016-news.md).
 */
export class Teller {
  private readonly waiting = new Map<string, number>();
  private timer: NodeJS.Timeout | undefined;
  private sending: Promise<void> = Promise.resolve();
  private isClosed = false;

  constructor(private readonly db: Knex) {}

  /** @param seq place of the newest entry of that combination */
  tell(combination: string, seq: number): void {
    if (this.isClosed) return;
    this.waiting.set(combination, Math.max(seq, this.waiting.get(combination) ?? 0));
    if (this.timer) return;
    this.sending = this.send();
    this.rest();
  }

  private rest(): void {
    this.timer = setTimeout(() => {
      this.timer = undefined;
      if (!this.waiting.size) return;
      this.sending = this.send();
      this.rest();
    }, GATHER_MS);
  }

  async close(): Promise<void> {
    this.isClosed = true;
    clearTimeout(this.timer);
    await this.sending;
    await this.send();
  }

  private async send(): Promise<void> {
    const lines = [...this.waiting].map(([combination, seq]) => `${combination} ${seq}`);
    this.waiting.clear();
    if (!lines.length) return;
    const news: string[] = [];
    while (lines.length) news.push(lines.splice(0, LINES).join('\n'));
    // A station that misses it hears of the next one, and reads everything since then.
    await runPrepared(this.db, 'tell', TELL, [news]).catch(() => undefined);
  }
}
