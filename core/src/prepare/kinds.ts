export const SLIDE_ON_PART_KINDS = ['shrink-tube', 'sealing-sleeve', 'boot', 'seal', 'insulator'] as const;
export const NOTCHES_FOR = ['solid', 'stranded'] as const;
