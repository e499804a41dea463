import type { NestProfile } from '../terminal';

/** Upper and lower die around the open barrel, as seen along the wire. */
export const DIES: Readonly<Record<NestProfile, readonly string[]>> = {
  'indent-and-cradle': ['M-95 -136H95V-92H22L0 -66L-22 -92H-95Z', 'M-95 136H95V2H57A57 57 0 0 1 -57 2H-95Z'],
  'window-indent': ['M-95 -136H95V-92H22L0 -66L-22 -92H-95Z', 'M-95 136H95V2H57A57 57 0 0 1 -57 2H-95Z'],
  'symmetric-oval': ['M-95 -136H95V-64H62C50 -96 -50 -96 -62 -64H-95Z', 'M-95 136H95V34H64C52 66 -52 66 -64 34H-95Z'],
  'two-bite': ['M-95 -136H95V-64H44C34 -92 -34 -92 -44 -64H-95Z', 'M-95 136H95V30H76C62 68 -62 68 -76 30H-95Z'],
  rolled: [
    'M-95 -136H95V-84C70 -84 52 -66 48 -50H34C30 -72 12 -78 0 -62C-12 -78 -30 -72 -34 -50H-48C-52 -66 -70 -84 -95 -84Z',
    'M-95 136H95V57H-95Z',
  ],
  'four-indent': [
    'M-22 -136H22V-96L8 -66H-8L-22 -96Z',
    'M-22 136H22V96L8 66H-8L-22 96Z',
    'M-136 -22V22H-96L-66 8V-8L-96 -22Z',
    'M136 -22V22H96L66 8V-8L96 -22Z',
  ],
  hex: ['M-95 -136H95V-58H66L38 -100H-38L-66 -58H-95Z', 'M-95 136H95V58H66L38 100H-38L-66 58H-95Z'],
  contoured: ['M-95 -136H95V-58H64C60 -104 -60 -104 -64 -58H-95Z', 'M-95 136H95V58H70C50 104 -50 104 -70 58H-95Z'],
  trapezoid: ['M-95 -136H95V-70H46L34 -94H-34L-46 -70H-95Z', 'M-95 136H95V62H62L70 84H-70L-62 62H-95Z'],
  square: ['M-95 -136H95V-56H60V-90H-60V-56H-95Z', 'M-95 136H95V56H60V90H-60V56H-95Z'],
};
