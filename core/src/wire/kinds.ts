/** The scale a conductor size is printed in. The two do not line up and are never treated as equal. */
export const SIZE_SCALES = ['mm2', 'awg'] as const;

export const CONDUCTOR_MATERIALS = ['copper', 'tinned-copper', 'high-strength-copper', 'aluminium'] as const;
export type ConductorMaterial = (typeof CONDUCTOR_MATERIALS)[number];

export const CONDUCTOR_KINDS = ['stranded', 'solid', 'soldered'] as const;
export const STRAND_LAYS = ['concentric', 'bunched'] as const;
