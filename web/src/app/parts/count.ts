/** A number with its noun: '1 wire', '66 wires', '0 people'. */
export function count(number: number, one: string, many = `${one}s`): string {
  return `${number.toLocaleString()} ${number === 1 ? one : many}`;
}
