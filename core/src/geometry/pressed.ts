import type { NestProfile } from '../terminal';

/** Outline of the pressed barrel around the origin, in units where the barrel was 50 in radius. */
export const PRESSED: Readonly<Record<NestProfile, string>> = {
  'indent-and-cradle':
    'M-44 -22C-40 -40 -20 -40 -12 -26L0 -6L12 -26C20 -40 40 -40 44 -22C58 30 30 50 0 50C-30 50 -58 30 -44 -22Z',
  'window-indent':
    'M-44 -22C-40 -40 -20 -40 -12 -26L0 -6L12 -26C20 -40 40 -40 44 -22C58 30 30 50 0 50C-30 50 -58 30 -44 -22Z',
  'symmetric-oval': 'M-62 0C-62 -42 62 -42 62 0C62 42 -62 42 -62 0Z',
  'two-bite': 'M-56 4C-50 -44 50 -44 56 4C62 44 -62 44 -56 4Z',
  rolled: 'M-50 -6C-50 -44 -8 -46 0 -18C8 -46 50 -44 50 -6V32C50 40 44 44 36 44H-36C-44 44 -50 40 -50 32Z',
  'four-indent':
    'M-14 -46L0 -30L14 -46C34 -42 42 -34 46 -14L30 0L46 14C42 34 34 42 14 46L0 30L-14 46C-34 42 -42 34 -46 14L-30 0L-46 -14C-42 -34 -34 -42 -14 -46Z',
  hex: 'M-26 -45H26L52 0L26 45H-26L-52 0Z',
  contoured: 'M-46 -10C-40 -54 40 -54 46 -10L50 14C44 54 -44 54 -50 14Z',
  trapezoid: 'M-34 -40H34L50 38H-50Z',
  square: 'M-42 -42H42V42H-42Z',
};
