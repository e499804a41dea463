import { setTimeout } from 'node:timers/promises';
import type { Hub } from './hub';

/** Stations are at work when a reading came in no longer ago than this, ms. */
const RECENT_MS = 100;
/** A rest is this many times as long as what went before it. */
const REST = 2;
/** Longest rest, ms. */
const MOST_MS = 1000;

/**
 * Lets readings go first. A priority alone does not: the database works for everybody alike, and all share memory and cache.
 * Whoever takes something large in portions waits a little longer while readings come in, and not at all otherwise.
 */
export class ReadingsFirst {
  private newest = -Infinity;
  private end: (() => void) | undefined;

  /** @param clock in ms */
  constructor(
    private readonly hub: Pick<Hub, 'listen'>,
    private readonly clock = {
      now: () => performance.now(),
      rest: async (ms: number): Promise<unknown> => setTimeout(ms),
    },
  ) {}

  /** Whether stations are at work. Listens from the first question on. */
  areComingIn(): boolean {
    const { now } = this.clock;
    this.end ??= this.hub.listen(({ kind }) => {
      if (kind === 'entry') this.newest = now();
    });
    return now() - this.newest < RECENT_MS;
  }

  /** Gives portions on as they come; while readings come in, rests after each for twice as long as that one took. */
  async *inPortions<T>(portions: AsyncIterable<T>): AsyncGenerator<T> {
    const { now, rest } = this.clock;
    this.areComingIn();
    let since = now();
    for await (const portion of portions) {
      const took = now() - since;
      yield portion;
      if (this.areComingIn()) await rest(Math.min(REST * took, MOST_MS));
      since = now();
    }
  }

  close(): void {
    this.end?.();
  }
}
