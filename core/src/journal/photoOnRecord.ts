import { entriesOf, type Entry } from '../entry';
import { refuse, type EntryRefusal, type Reads } from './Kind';

/** Whether a photograph is on record among these entries; the refusal when it is not. */
export function photoOnRecord(own: readonly Entry[], photo: string): EntryRefusal | null {
  return entriesOf(own, 'photo').some((e) => e.body.photo.id === photo)
    ? null
    : refuse('photo-unknown', 'photo', 'The photograph this is about is not on record.');
}

/** Of the journal, what {@link photoOnRecord} looks at. */
export const readsPhoto = ({ photo }: { readonly photo: string }): Reads => ({
  run: [`photo/${photo}`],
  lot: [`photo/${photo}`],
});
