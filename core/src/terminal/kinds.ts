/** The twelve families of the trade. Every one has its row in every stage. */
export const FAMILIES = [
  'insulated-terminal',
  'sealed-sleeve-terminal',
  'bare-terminal',
  'open-barrel-contact',
  'sealed-contact',
  'machined-contact',
  'signal-contact',
  'butt-splice',
  'window-splice',
  'open-barrel-splice',
  'ferrule',
  'lug',
] as const;
export type Family = (typeof FAMILIES)[number];

/** The end that is not on the wire: what it goes onto or into. */
export const SHAPES = [
  'ring',
  'fork',
  'tab',
  'receptacle',
  'bullet',
  'pin',
  'socket',
  'splice',
  'wire-end',
  'pad',
] as const;

export const SEAMS = ['butted', 'brazed', 'seamless', 'hidden', 'open'] as const;

export const SLEEVE_COLOURS = ['red', 'blue', 'yellow'] as const;

/**
 * What locates the wire end: a through barrel, a stop or well bottom, the window between two grips, a ferrule's
 * barrel to its funnel, or a lug's well bottom with the growth of its barrel.
 */
export const STRIP_RULES = ['barrel', 'stop', 'window', 'ferrule', 'lug'] as const;

export const STRANDING_CLASSES = ['1', '2', '5', '6'] as const;
/** Classes of conductors: 1 solid, 2 stranded of few thick wires, 5 flexible, 6 extra flexible. */
export type StrandingClass = (typeof STRANDING_CLASSES)[number];

export const SLIDE_ON_KINDS = ['sleeve', 'boot', 'seal', 'insulator', 'collar'] as const;

export const TERMINAL_MATERIALS = ['copper', 'brass', 'aluminium'] as const;
export const RELEASES = ['front', 'rear'] as const;
