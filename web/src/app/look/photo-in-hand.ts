import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { endOf, lotOf, ofEnd, type EntryBody } from '@tug-mark/core';
import { Hand } from '../hand/hand';
import { handActions } from '../hand/hand.state';

/** The photograph a page is about: its combination taken in hand, its entry, and the marks and section kept for it. */
@Injectable()
export class PhotoInHand {
  private readonly store = inject(Store);
  readonly hand = inject(Hand);
  readonly combination = signal('');
  readonly id = signal('');
  readonly address = computed(() => `/api/combinations/${this.combination()}/photos/${this.id()}`);
  readonly shown = computed(() => {
    const found = this.hand.entries().findLast((e) => e.body.kind === 'photo' && e.body.photo.id === this.id());
    return found?.body.kind === 'photo' ? found.body : null;
  });
  readonly lot = computed(() => {
    const body = this.shown();
    return body ? lotOf(body) : null;
  });
  readonly marks = computed(() => this.kept('marks').findLast((e) => e.body.photo === this.id()) ?? null);
  readonly section = computed(() => this.kept('section').findLast((e) => e.body.photo === this.id()) ?? null);
  readonly criteria = computed(() => {
    const lot = this.lot();
    const setUp = this.hand.setUp();
    const points = (lot === null ? setUp?.criteria : (setUp?.lotCriteria.get(lot) ?? setUp?.criteria)) ?? [];
    return points.filter(({ end }) => end === endOf(this.shown() ?? {}));
  });

  constructor() {
    effect(() => {
      const id = this.combination();
      if (id) this.store.dispatch(handActions.take({ id }));
    });
  }

  /** Entries of one kind in force where the photograph belongs. */
  kept<K extends 'marks' | 'section' | 'measure'>(kind: K) {
    const lot = this.lot();
    return lot === null ? this.hand.of(kind) : this.hand.ofLot(lot, kind);
  }

  /**
   * Puts something about the photograph on record where the photograph belongs; where something stands already, as its
   * correction.
   * @returns the refusal, or nothing
   */
  put(
    body: Extract<EntryBody, { kind: 'marks' | 'section' | 'measure' }>,
    standing: { readonly id: string } | null | undefined,
    why: string,
  ): string {
    const lot = this.lot();
    const place = lot === null ? {} : { lot };
    return this.hand.put({ ...body, ...place }, standing ? { corrects: standing.id, why } : null)?.text ?? '';
  }

  /** Puts a number measured on the picture on record for its point; another one is a correction of the first. */
  putNumber(what: ReturnType<PhotoInHand['criteria']>[number], value: number): string {
    const shown = this.shown();
    if (!shown || !what.number) return 'Nothing is measured at this point.';
    const standing = this.kept('measure').find(
      (e) => e.body.piece === shown.piece && e.body.what === what.code && endOf(e.body) === what.end,
    );
    const rounded = Number(value.toFixed(4));
    if (standing?.body.value === rounded) return '';
    return this.put(
      {
        kind: 'measure',
        piece: shown.piece,
        ...ofEnd(what.end),
        what: what.code,
        value: rounded,
        typed: String(rounded),
        unit: what.number.unit,
        note: '',
        from: 'photo',
      },
      standing,
      'measured again on the photograph',
    );
  }
}
