import { effect, inject, Injectable, untracked } from '@angular/core';
import { PullStore } from './pull-store';
import { PullsInHand } from './pulls-in-hand';
import { overlaps, WaitingPulls, type WaitingPull } from './waiting-pulls';

/** What stands open through a reload. */
interface Draft {
  /** Name of the person whose it is; absent in what was kept before drafts had one. */
  readonly by?: string;
  /** The piece the first text was typed for. */
  readonly target: string;
  readonly text: string;
  readonly pasted: readonly string[];
  readonly waiting: readonly Omit<WaitingPull, 'id' | 'made'>[];
  readonly taking: { readonly target: string; readonly since: number } | null;
}

/** Keeps what stands open of a person and place through a reload, and drops what another tab or station has kept. */
@Injectable()
export class PullDrafts {
  private readonly store = inject(PullStore);
  private readonly hand = inject(PullsInHand);
  private readonly waiting = inject(WaitingPulls);
  /** The person and place whose drafts stand here. */
  private restored: string | null = null;

  constructor() {
    effect(() => {
      const place = this.store.host().place();
      const key = place === null ? null : this.waiting.draftKey(place);
      if (key === null) return;
      untracked(() => {
        this.takeUp(key, place ?? '');
      });
      // Values on their way survive a reload: what is typed, what is pasted, what waits.
      const draft: Draft = {
        by: this.waiting.name(),
        target: this.store.target(),
        text: this.store.pending()?.typed ?? this.store.text(),
        pasted: this.store.pasted(),
        waiting: this.waiting.all().map(({ text, at, from, key: of }) => ({ text, at, from, key: of })),
        taking: this.store.taking(),
      };
      if (draft.text || draft.pasted.length || draft.waiting.length || draft.taking)
        localStorage.setItem(key, JSON.stringify(draft));
      else localStorage.removeItem(key);
    });
    // A pull that another tab or station has kept is no longer this one's.
    effect(() => {
      const elsewhere = this.waiting.takenElsewhere();
      const kept = [...this.store.host().kept(), ...(elsewhere ? [elsewhere] : [])];
      untracked(() => {
        for (const key of kept) this.waiting.drop(key);
        const own = this.store.pullKey();
        if (own && kept.some((key) => overlaps(key, own))) {
          this.store.clear();
          this.store.set({ message: 'That pull was kept at another tab or station meanwhile.' });
        }
      });
    });
  }

  private takeUp(key: string, place: string): void {
    if (this.restored === key) return;
    // Another person's drafts are not this one's: what stands in memory goes too.
    if (this.restored !== null) {
      this.store.clear();
      this.store.set({ why: '', pasted: [], taking: null });
      this.waiting.all.set([]);
    }
    this.restored = key;
    this.restore(key);
    this.waiting.left.set(
      this.waiting.ofOthers(place).flatMap((text) => {
        const { by = 'Somebody', text: typed, pasted, waiting } = JSON.parse(text) as Draft;
        const values = pasted.length + waiting.length + (typed ? 1 : 0);
        return values ? [{ by, values }] : [];
      }),
    );
  }

  private restore(key: string): void {
    const text = localStorage.getItem(key);
    if (text === null) return;
    const draft = JSON.parse(text) as Draft;
    this.store.set({ taking: draft.taking });
    for (const pull of draft.waiting) this.waiting.add({ ...pull, made: null });
    const isOwn = draft.target === this.store.target();
    this.store.set({ pasted: draft.text && isOwn ? [draft.text, ...draft.pasted] : draft.pasted });
    if (draft.text && !isOwn) {
      // Another piece is due now: whose it was, a person has to say.
      const at = new Date().toISOString();
      this.waiting.add({
        text: draft.text,
        at,
        from: `typed for ${draft.target} by ${draft.by ?? this.waiting.name()}`,
        key: null,
        made: null,
      });
    }
    this.hand.takeNext();
  }
}
