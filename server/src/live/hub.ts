import type { Knex } from 'knex';
import pg from 'pg';

/** Something that changed in the database, whichever process or person did it. */
export type News =
  | { readonly kind: 'entry'; readonly combination: string; readonly seq: number }
  | { readonly kind: 'shop' }
  /** A session has ended. */
  | { readonly kind: 'signed-out'; readonly session: string }
  /** The line to the database was down: anything may have happened. */
  | { readonly kind: 'look-again' };

type Listener = (news: News) => void;

const AGAIN_MS = 500;

/**
 * Listens to PostgreSQL's notifications on a connection of its own and passes them on to this process's stations. Nothing
 * is kept here: what was missed is read from the tables, so any number of processes serve one database.
 */
export class Hub {
  private readonly listeners = new Set<Listener>();
  private client: pg.Client | null = null;
  private closed = false;
  private timer: NodeJS.Timeout | undefined;

  constructor(private readonly db: Knex) {}

  /** @returns a function that ends the listening */
  listen(listener: Listener): () => void {
    this.listeners.add(listener);
    if (!this.client) this.open();
    return () => this.listeners.delete(listener);
  }

  /** Tells every process that a session has ended. */
  async signedOut(session: string): Promise<void> {
    await this.db.raw("SELECT pg_notify('tug_mark_sign_out', ?)", [session]);
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.timer);
    await this.client?.end().catch(() => undefined);
    this.client = null;
  }

  private open(): void {
    const connection = (this.db.client as { connectionSettings: pg.ClientConfig }).connectionSettings;
    const client = new pg.Client(connection);
    this.client = client;
    const again = () => {
      if (this.client !== client || this.closed) return;
      this.client = null;
      void client.end().catch(() => undefined);
      this.timer = setTimeout(() => {
        this.open();
      }, AGAIN_MS);
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ channel, payload }) => {
      if (channel === 'tug_mark_shop') this.tell({ kind: 'shop' });
      if (channel === 'tug_mark_sign_out' && payload) this.tell({ kind: 'signed-out', session: payload });
      if (channel !== 'tug_mark_entry' || !payload) return;
      for (const line of payload.split('\n')) {
        const [combination, seq] = line.split(' ');
        if (combination) this.tell({ kind: 'entry', combination, seq: Number(seq) });
      }
    });
    client
      .connect()
      .then(() => client.query('LISTEN tug_mark_entry; LISTEN tug_mark_shop; LISTEN tug_mark_sign_out'))
      .then(() => {
        this.tell({ kind: 'look-again' });
      })
      .catch(again);
  }

  private tell(news: News): void {
    for (const listener of this.listeners) listener(news);
  }
}
