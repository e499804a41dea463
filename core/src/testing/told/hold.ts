/** What is told of one thing, line by line; worked out when it is asked for. */
export type Lines = () => string[];
/** What is told of each thing, by its name. */
export type Told = ReadonlyMap<string, Lines>;

interface Held {
  /** Name of the file, beside these, that what was read is held in. */
  readonly in: string;
  readonly of: string;
  /** Told in sentences; numbers and codes of the others are none. */
  readonly inSentences?: boolean;
}

/** Lines of one that the other has not. */
const beside = (some: readonly string[], others: readonly string[]) => {
  const known = new Set(others);
  return some.filter((line) => !known.has(line));
};

/**
 * Holds what is told to what was read and approved, word for word.
 *
 * What is told goes with the outcome of each spec too: `npm run told` writes it down from there, for somebody to read.
 */
export function holdTold(
  { in: file, of, inSentences }: Held,
  told: Told,
  approved: Readonly<Record<string, readonly string[]>>,
) {
  describe(`What is told of ${of}`, () => {
    it('is told of the same ones that were read', () => {
      expect([...told.keys()]).toEqual(Object.keys(approved));
    });

    for (const [name, tell] of told) {
      it(`is word for word what was read and approved${inSentences ? ', in whole sentences' : ''}: ${name}`, () => {
        const [own, lines] = [tell(), approved[name] ?? []];
        setSpecProperty('told', { file, name, lines: own });
        // What differs is told first: two long lists that are not alike say little.
        expect({ new: beside(own, lines), gone: beside(lines, own) }).toEqual({ new: [], gone: [] });
        expect(own).toEqual([...lines]);
        if (!inSentences) return;
        for (const line of own) expect(line).not.toMatch(/undefined|NaN|\[object| {2}|\.\.| \.|\|\s*$/);
      });
    }
  });
}
