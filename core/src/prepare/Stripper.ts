/** A wire stripper with its notches. */
export interface Stripper {
  readonly part: string;
  readonly label: string;
  /** Repeatability of the strip length, plus or minus, mm. */
  readonly repeatability: number;
  /** Step of its length stop, mm. */
  readonly step: number;
  readonly insulations: readonly string[];
  readonly notches: readonly {
    readonly label: string;
    /** Solid and stranded notches are different columns: a stranded conductor is fatter than a solid one. */
    readonly for: 'solid' | 'stranded';
    /** Bore of the closed notch, mm. */
    readonly bore: number;
  }[];
}
