import { lotOf, runOf, type EntryBody } from '../entry';
import { kindOf } from './kindOf';

/** What an entry says, in one line; of a later run or a lot with its number first. */
export function describeEntry(body: EntryBody): string {
  const lot = lotOf(body);
  const own = kindOf(body).sentence(body);
  const said = lot === null || body.kind === 'lot' ? own : `Lot ${lot}. ${own}`;
  return body.kind === 'run' || runOf(body) === 1 ? said : `Run ${runOf(body)}. ${said}`;
}
