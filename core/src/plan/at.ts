/** A number of a table of whole numbers; whoever asks has seen to it that it is in it. One kind of table alone: it stays fast so. */
export const at = (table: Int32Array, index: number): number => table[index] as number;

/** The same of a table of fractions. */
export const real = (table: Float64Array, index: number): number => table[index] as number;
