/** Longest line that is taken: a photograph's piece or a record of another shop is one line, written as digits. */
const LONGEST = 256 * 1024 * 1024;
const NEW_LINE = 10;

/**
 * Lines of bytes, each with its new line. Only that ends a line: what else some call the end of one may stand in a text.
 * @throws RangeError for a line that never ends
 */
export async function* readLines(bytes: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
  let open: Buffer[] = [];
  let length = 0;
  for await (const piece of bytes) {
    let from = 0;
    for (let at = piece.indexOf(NEW_LINE); at !== -1; at = piece.indexOf(NEW_LINE, from)) {
      const rest = piece.subarray(from, at + 1);
      yield open.length ? Buffer.concat([...open, rest]) : rest;
      open = [];
      length = 0;
      from = at + 1;
    }
    if (from < piece.length) {
      open.push(piece.subarray(from));
      length += piece.length - from;
      if (length > LONGEST) throw new RangeError('a line has no end');
    }
  }
  if (open.length) yield Buffer.concat(open);
}
