import { SHEET_DONE } from '@tug-mark/contract';

const MARK = `/Type /${SHEET_DONE}`;
const END = '%%EOF';

/** Counts the sheets in the bytes of a PDF as they come: a mark follows each, and may be cut by the end of a portion. */
export class SheetCount {
  private done = 0;
  /** The last bytes, as far as a mark or the end may begin in them. */
  private rest = '';

  /** Whether the file has come to its end. */
  get isWhole(): boolean {
    return this.rest.trimEnd().endsWith(END);
  }

  /** Takes the next bytes; returns how many sheets are done. */
  take(bytes: Uint8Array): number {
    const text = this.rest + new TextDecoder('latin1').decode(bytes);
    const found = text.split(MARK);
    this.done += found.length - 1;
    // What is left behind the last mark: the same mark is not counted twice.
    this.rest = (found.at(-1) ?? '').slice(-(MARK.length - 1));
    return this.done;
  }
}
