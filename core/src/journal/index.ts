export { checkAsked, checkEntry, type EntryCheck } from './checkEntry';
export { describeEntry } from './describeEntry';
export { entryCells } from './entryCells';
export { entrySlot, slotInLot } from './entrySlot';
export { KINDS } from './kinds';
export { type EntryRefusal, type Rests } from './Kind';
export { kindOf } from './kindOf';
export { restsOf } from './restsOf';
export { askedBefore, slotsToCheck } from './slotsToCheck';
