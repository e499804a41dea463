import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { draftKey, draftsOfOthers } from '../../session/drafts';
import { timeOrderedId } from '../../http/uuid';
import { sessionFeature } from '../../session/session.state';
import type { PullKey, StationPull } from '../gauge/station-gauge';

/** A pull that belongs to no piece yet: a person says which. */
export interface WaitingPull {
  readonly id: string;
  /** As it would be typed, e.g. '118.40' or '26.6 lbf'. */
  readonly text: string;
  /** ISO instant. */
  readonly at: string;
  /** What it came from, in words. */
  readonly from: string;
  readonly key: PullKey | null;
  /** With its curve; lost when the page is loaded again. */
  readonly made: StationPull | null;
}

export const overlaps = (a: PullKey, b: PullKey): boolean => a.gauge === b.gauge && a.start < b.end && b.start < a.end;

const CHANNEL = 'tug-mark-pulls';

/**
 * Pulls of this station that no piece has taken, and what other tabs have taken meanwhile. A pull is taken once: whoever
 * takes it tells the others.
 */
@Injectable()
export class WaitingPulls {
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  private readonly channel = new BroadcastChannel(CHANNEL);
  readonly all = signal<readonly WaitingPull[]>([]);
  /** The last pull another tab has taken. */
  readonly takenElsewhere = signal<PullKey | null>(null);
  readonly owner = computed(() => this.person()?.id ?? null);
  /** Name of the person at the bench. */
  readonly name = computed(() => this.person()?.name ?? '');
  /** What others have left open at this place: theirs until they sign in here. */
  readonly left = signal<readonly { readonly by: string; readonly values: number }[]>([]);

  constructor() {
    this.channel.onmessage = ({ data }: MessageEvent<PullKey>) => {
      this.drop(data);
      this.takenElsewhere.set(data);
    };
    inject(DestroyRef).onDestroy(() => {
      this.channel.close();
    });
  }

  add(pull: Omit<WaitingPull, 'id'>): void {
    const { key } = pull;
    if (key && this.all().some((other) => other.key && overlaps(other.key, key))) return;
    this.all.update((all) => [...all, { ...pull, id: timeOrderedId() }]);
  }

  remove(id: string): void {
    this.all.update((all) => all.filter((pull) => pull.id !== id));
  }

  /** A pull was kept here: it waits no more, and the other tabs are told. */
  taken(key: PullKey): void {
    this.drop(key);
    this.channel.postMessage(key);
  }

  /** Takes out what was kept somewhere else. */
  drop(key: PullKey): void {
    this.all.update((all) => all.filter((pull) => !pull.key || !overlaps(pull.key, key)));
  }

  /** What others have left open at a place, as it was kept. */
  ofOthers(place: string): string[] {
    const person = this.owner();
    return person === null ? [] : draftsOfOthers(person, place);
  }

  /** Where a person's open values of one place wait through a reload. */
  draftKey(place: string): string | null {
    const person = this.owner();
    return person === null ? null : draftKey(person, place);
  }
}
