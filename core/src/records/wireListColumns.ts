import { plainHeading, type HeadedColumn } from '../table';

/** What a column of a wire list may say. */
export const WIRE_LIST_KEYS = [
  ...(['wireId', 'wirePart', 'length', 'terminalA', 'terminalB', 'quantity', 'place', 'jointA', 'jointB'] as const),
  ...(['studA', 'studB', 'temperature', 'current', 'voltage', 'fuelNear'] as const),
  ...(['connectorA', 'housingA', 'cavityA', 'connectorB', 'housingB', 'cavityB'] as const),
] as const;
export type WireListKey = (typeof WIRE_LIST_KEYS)[number];

/** A column of a wire list: its heading in a template, and what stands in it. */
export interface WireListColumn extends HeadedColumn {
  readonly help: string;
}

const column = (name: string, help: string, headings: readonly string[], needed = false): WireListColumn => ({
  name,
  help,
  is: (plain) => headings.includes(plain),
  needed,
});

export const WIRE_LIST_COLUMNS: Readonly<Record<WireListKey, WireListColumn>> = {
  wireId: column('wire id', 'a name of its own for each wire', ['wireid', 'wireno', 'wirenumber', 'id', 'wire'], true),
  wirePart: column(
    'wire part',
    'the wire’s number in the cabinet',
    ['wirepart', 'wirepartno', 'wirepartnumber', 'wiretype', 'partwire'],
    true,
  ),
  length: column(
    'length',
    'mm, or inches where the heading says so',
    ['length', 'lengthmm', 'lengthin', 'cutlength', 'cutlengthmm', 'cutlengthin'],
    true,
  ),
  terminalA: column(
    'terminal a',
    'the terminal’s number, or - for none',
    ['terminala', 'terma', 'enda', 'terminal1', 'end1', 'terminalatenda'],
    true,
  ),
  terminalB: column(
    'terminal b',
    'the same at the other end',
    ['terminalb', 'termb', 'endb', 'terminal2', 'end2', 'terminalatendb'],
    true,
  ),
  quantity: column('quantity', 'how many of this wire', ['quantity', 'qty', 'pieces', 'count'], true),
  place: column('place', 'dry or wet', ['place', 'placeofuse']),
  jointA: column('joint a', 'the same name where wires meet in one part; of a splice J1/1 and J1/2 for its sides', [
    'jointa',
    'joint1',
  ]),
  jointB: column('joint b', 'the same at the other end', ['jointb', 'joint2']),
  studA: column('stud a', 'the stud asked for, as M4', ['studa', 'stud1']),
  studB: column('stud b', 'the same at the other end', ['studb', 'stud2']),
  temperature: column('place temperature', '°C where it is used', [
    ...['placetemperature', 'placetemperaturec', 'placetemperaturedegc', 'ambient', 'ambientc'],
  ]),
  current: column('current', 'A it carries', ['current', 'currentamp', 'amps']),
  connectorA: column('connector a', 'the connector end A goes into, as it is called in this loom', [
    'connectora',
    'connector1',
  ]),
  housingA: column('connector part a', 'its number in the cabinet; once for each connector is enough', [
    ...['connectorparta', 'connectorpart1', 'housinga', 'housing1'],
  ]),
  cavityA: column('cavity a', 'the cavity, as it is moulded beside it', ['cavitya', 'cavity1']),
  connectorB: column('connector b', 'the same at the other end', ['connectorb', 'connector2']),
  housingB: column('connector part b', 'the same at the other end', [
    ...['connectorpartb', 'connectorpart2', 'housingb', 'housing2'],
  ]),
  cavityB: column('cavity b', 'the same at the other end', ['cavityb', 'cavity2']),
  voltage: column('voltage', 'V it stands', ['voltage', 'volts']),
  fuelNear: column('fuel near', 'yes where fuel, oil or vapour is near: no flame there', [
    'fuelnear',
    'fuel',
    'noflame',
  ]),
};

/** Parts of the cabinet, by their numbers. */
export interface KnownParts {
  readonly wires: ReadonlySet<string>;
  readonly terminals: ReadonlySet<string>;
  /** Those of the terminals that are splices: their wires come from two sides. */
  readonly splices: ReadonlySet<string>;
  /** Connectors with their cavities; absent where none are known. */
  readonly connectors?: ReadonlyMap<string, ReadonlySet<string>>;
}

/** Rows looked at to tell what a column holds. */
const LOOKED_AT = 200;

/**
 * What each column of a file probably says: by its heading, and where that says too little by what stands in it. A column
 * headed 'wire' holds parts where most of its cells are numbers of wires in the cabinet, else names of wires.
 * @param table rows of cells, header first
 * @returns by column of the file; null where it says nothing a wire list needs
 */
export function proposeColumns(table: readonly (readonly string[])[], known: KnownParts): (WireListKey | null)[] {
  const [header = [], ...rows] = table;
  const plain = header.map(plainHeading);
  const share = (index: number, parts: ReadonlySet<string>) => {
    const cells = rows.slice(0, LOOKED_AT).map((row) => (row[index] ?? '').trim());
    const filled = cells.filter((cell) => cell !== '' && cell !== '-');
    return filled.length ? filled.filter((cell) => parts.has(cell)).length / filled.length : 0;
  };
  const taken = new Set<WireListKey>();
  const proposed = plain.map((heading, index): WireListKey | null => {
    const key = WIRE_LIST_KEYS.find((each) => heading !== '' && WIRE_LIST_COLUMNS[each].is(heading));
    const found = key === 'wireId' && share(index, known.wires) >= 0.5 ? 'wirePart' : (key ?? null);
    if (!found || taken.has(found)) return null;
    taken.add(found);
    return found;
  });
  const fill = (key: WireListKey, parts: ReadonlySet<string>) => {
    if (taken.has(key)) return;
    const index = proposed.findIndex((each, i) => each === null && share(i, parts) >= 0.5);
    if (index < 0) return;
    proposed[index] = key;
    taken.add(key);
  };
  fill('wirePart', known.wires);
  fill('terminalA', known.terminals);
  fill('terminalB', known.terminals);
  return proposed;
}
