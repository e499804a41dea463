/** The piece a pull is for, in words: 'piece 3', and its wire where several share the barrel. */
export function targetName({ piece, wire }: { piece: number; wire: number }, wires: number): string {
  return wires > 1 ? `piece ${piece}, wire ${wire}` : `piece ${piece}`;
}
