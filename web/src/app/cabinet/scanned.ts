/** What a scan or a typed text names: the part number alone, also where a label's whole address was scanned. */
export function scanned(text: string): string {
  const address = /\/cabinet\/[a-z]+\/([^/?#\s]+)\s*$/.exec(text.trim());
  return address?.[1] === undefined ? text.trim() : decodeURIComponent(address[1]);
}
