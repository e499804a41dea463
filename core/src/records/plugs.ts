import type { Plug, WireListRow } from './readWireList';
import type { KnownParts, WireListKey } from './wireListColumns';

const MOST_NAME = 20;
const MOST_CAVITY = 12;

/** The cavity one end of a wire goes into; null where the row names none. */
export function readPlug(
  end: 'A' | 'B',
  cell: (column: WireListKey) => string,
  wrong: (column: WireListKey, text: string) => void,
  known: KnownParts,
): Plug | null {
  const [connector, part, cavity] = [cell(`connector${end}`), cell(`housing${end}`), cell(`cavity${end}`)];
  if (connector === '' && cavity === '' && part === '') return null;
  if (connector === '')
    wrong(`connector${end}`, 'A cavity belongs to a connector: say what it is called in this loom.');
  if (cavity === '') wrong(`cavity${end}`, `Say which cavity of ${connector || 'the connector'}.`);
  if (connector.length > MOST_NAME)
    wrong(`connector${end}`, `A connector’s name is longer than ${MOST_NAME} characters.`);
  if (cavity.length > MOST_CAVITY) wrong(`cavity${end}`, `A cavity’s name is longer than ${MOST_CAVITY} characters.`);
  const cavities = part === '' ? undefined : known.connectors?.get(part);
  if (part !== '' && !cavities) wrong(`housing${end}`, `The cabinet has no connector '${part}'.`);
  if (cavities && cavity !== '' && !cavities.has(cavity))
    wrong(`cavity${end}`, `${part} has no cavity '${cavity}'; it has ${[...cavities].join(', ')}.`);
  const terminal = cell(`terminal${end}`);
  if (terminal === '' || terminal === '-') wrong(`terminal${end}`, 'What goes into a cavity has a contact: name it.');
  return { connector, part, cavity };
}

/** A connector is one part throughout the list, and each of its cavities takes one end. */
export function checkPlugs(
  rows: readonly WireListRow[],
  note: (row: number, column: WireListKey, value: string, text: string) => void,
): void {
  const parts = new Map<string, { readonly part: string; readonly row: number }>();
  const taken = new Map<string, { readonly row: number; readonly joint: string }>();
  for (const row of rows) {
    for (const end of ['A', 'B'] as const) {
      const plug = row[`plug${end}`];
      if (!plug) continue;
      const { connector, part, cavity } = plug;
      const named = parts.get(connector);
      if (part !== '' && named && named.part !== part)
        note(
          row.row,
          `housing${end}`,
          part,
          `${connector} is ${named.part} in row ${named.row}: one connector is one part.`,
        );
      if (part !== '' && !named) parts.set(connector, { part, row: row.row });
      const key = `${connector}:${cavity}`;
      const twin = taken.get(key);
      const joint = row[`joint${end}`];
      // Wires that share a contact share its cavity.
      if (twin && (joint === '' || joint !== twin.joint))
        note(row.row, `cavity${end}`, cavity, `Cavity ${cavity} of ${connector} is taken in row ${twin.row}.`);
      else taken.set(key, { row: row.row, joint });
    }
  }
}
