import type { WireSetUp } from './computeSetUp';

type Place = Pick<WireSetUp, 'end' | 'number'>;

/**
 * What a wire of a set-up is called where there are several: by its end in a splice, by its number where several share a barrel.
 * @returns '' where it is the only one
 * @example 'end 2', 'wire 2', 'end 1, wire 2'
 */
export function wireName({ end, number }: Place, wires: readonly Place[]): string {
  const parts = [
    ...(wires.some((each) => each.end === 2) ? [`end ${end}`] : []),
    ...(wires.filter((each) => each.end === end).length > 1 ? [`wire ${number}`] : []),
  ];
  return parts.join(', ');
}
