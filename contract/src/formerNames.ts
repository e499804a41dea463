/** Families as files of the first version named them. */
const FORMER: Readonly<Record<string, string>> = {
  'bare-ring': 'bare-terminal',
  'insulated-ring': 'insulated-terminal',
};

/**
 * A shop file or record with the families' former names replaced, wherever they stand as 'family' or in 'families';
 * everything else as it is. Files of the first version are read this way.
 */
export function fromFormerNames(file: unknown): unknown {
  if (Array.isArray(file)) return file.map(fromFormerNames);
  if (file === null || typeof file !== 'object') return file;
  return Object.fromEntries(
    Object.entries(file).map(([key, value]) => {
      if (key === 'family' && typeof value === 'string') return [key, FORMER[value] ?? value];
      if (key === 'families' && Array.isArray(value)) {
        return [key, value.map((name: unknown) => (typeof name === 'string' ? (FORMER[name] ?? name) : name))];
      }
      return [key, fromFormerNames(value)];
    }),
  );
}
