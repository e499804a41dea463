import type { StockDeed } from '@tug-mark/core';

/** What was done to the stock, in words. */
export const DEED_WORDS: Readonly<Record<StockDeed, string>> = {
  counted: 'counted',
  received: 'received',
  drawn: 'drawn',
  expected: 'on its way',
  'called-off': 'called off',
};
