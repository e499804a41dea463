/** What a scan or a typed text names: where a label's whole address was scanned the part number alone, else the text itself. */
export function scanned(text: string): string {
  const address = /\/cabinet\/[a-z]+\/([^/?#\s]+)\s*$/.exec(text.trim());
  return address?.[1] === undefined ? text : decodeURIComponent(address[1]);
}
