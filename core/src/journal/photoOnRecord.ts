import { entriesOf, type Entry } from '../entry';
import { refuse, type EntryRefusal } from './Kind';

/** Whether a photograph is on record among these entries; the refusal when it is not. */
export function photoOnRecord(own: readonly Entry[], photo: string): EntryRefusal | null {
  return entriesOf(own, 'photo').some((e) => e.body.photo.id === photo)
    ? null
    : refuse('photo-unknown', 'photo', 'The photograph this is about is not on record.');
}
