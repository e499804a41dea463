import type { DieDimension, Terminal } from './Terminal';

/** What the sheet gives to be measured after a crimp with a die of this index; null where it gives nothing. */
export function dieDimension(
  { dieDimensions }: Pick<Terminal, 'dieDimensions'>,
  nest: { readonly index: string | null } | null,
): DieDimension | null {
  return dieDimensions.find(({ index }) => index === nest?.index) ?? null;
}
