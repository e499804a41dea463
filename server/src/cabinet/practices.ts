import type { PartRevision } from '@tug-mark/contract';
import { draftOf, resolvePractice, type Practice, type PracticeDraft } from '@tug-mark/core';
import type { Knex } from 'knex';
import type { Doer } from '../chain/ledger';
import { refusals } from '../http/problems';
import { keepPart, keepParts, listParts } from './store';

/**
 * Whether profiles that come in a file stand on bases that are there and do not come back to themselves.
 * @throws Refusal naming the first that does not
 */
export function checkPractices(practices: readonly Practice[], others: readonly Practice[]): void {
  const known = [...others.filter((o) => !practices.some((p) => p.part === o.part)), ...practices];
  for (const practice of practices) {
    const resolved = resolvePractice(draftOf(practice), known);
    if (!resolved.ok) throw refusals.practiceUnresolved(resolved.code, `${practice.part}: ${resolved.text}`);
  }
}

/**
 * Keeps a practice profile with its choices worked out, as a new revision; profiles based on it get a new revision
 * too where that changes them.
 * @throws Refusal when its base is missing or comes back to itself, or a choice is left open
 */
export async function keepPractice(db: Knex, draft: PracticeDraft, opened: number, doer: Doer): Promise<PartRevision> {
  return db.transaction(async (trx) => {
    const others = await listParts(trx, 'practice');
    const resolved = resolvePractice(draft, others);
    if (!resolved.ok) throw refusals.practiceUnresolved(resolved.code, resolved.text);
    const kept = await keepPart(trx, 'practice', resolved.practice, opened, doer);
    let known = [...others.filter((p) => p.part !== draft.part), resolved.practice];
    const next = [draft.part];
    for (let base = next.shift(); base !== undefined; base = next.shift()) {
      for (const child of known.filter((p) => p.base === base)) {
        const again = resolvePractice(draftOf(child), known);
        if (!again.ok) throw refusals.practiceUnresolved(again.code, again.text);
        await keepParts(trx, 'practice', [again.practice], doer);
        known = [...known.filter((p) => p.part !== child.part), again.practice];
        next.push(child.part);
      }
    }
    return kept;
  });
}
