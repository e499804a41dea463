export const SIZE_SCALES = ['mm2', 'awg'] as const;
/** The scale a conductor size is printed in. The two do not line up and are never treated as equal. */
export type SizeScale = (typeof SIZE_SCALES)[number];

/** A conductor size as printed: mm2 of metal, or an AWG number (1/0 is 0, 2/0 is -1). */
export interface ConductorSize {
  readonly scale: SizeScale;
  readonly value: number;
}

export const CONDUCTOR_MATERIALS = ['copper', 'tinned-copper', 'high-strength-copper', 'aluminium'] as const;
export type ConductorMaterial = (typeof CONDUCTOR_MATERIALS)[number];

export const CONDUCTOR_KINDS = ['stranded', 'solid', 'soldered'] as const;
export type ConductorKind = (typeof CONDUCTOR_KINDS)[number];

export const STRAND_LAYS = ['concentric', 'bunched'] as const;
export type StrandLay = (typeof STRAND_LAYS)[number];

export interface Conductor {
  readonly size: ConductorSize;
  readonly kind: ConductorKind;
  readonly material: ConductorMaterial;
  /** Number of strands; 1 for a solid conductor. */
  readonly strands: number;
  /** Diameter of one strand, mm. */
  readonly strandDiameter: number;
  readonly lay: StrandLay;
}

export interface Wire {
  readonly part: string;
  readonly label: string;
  readonly conductor: Conductor;
  /** Insulation outer diameter, mm. */
  readonly insulationDiameter: number;
  readonly insulation: string;
  /** Highest conductor temperature the wire is rated for, degC. */
  readonly temperature: number;
}
