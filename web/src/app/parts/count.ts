const writes = new Intl.NumberFormat('en', { useGrouping: 'always' });

/** A whole number, its thousands parted by a thin space: neither a comma nor a point, which somebody reads as decimals. */
export function grouped(number: number): string {
  return writes.format(number).replaceAll(',', '\u202f');
}

/** A number with its noun: '1 wire', '66 wires', '0 people'. */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${grouped(number)} ${number === 1 ? one : many}`;
}

/** How large a file is, in words: '12 kB', '1.6 MB'. */
export function fileSize(bytes: number): string {
  return bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;
}
