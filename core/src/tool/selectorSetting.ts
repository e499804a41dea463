import type { Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { sizeLabel, type Wire } from '../wire';
import type { Tool } from './Tool';

/**
 * The selector setting of a four-indent tool for a contact's barrel size and the wire's size, from the tool's own
 * table. A size the table skips has no setting: it is never taken from a neighbour.
 * @returns null setting for a tool without a table; a bad reason for a hole in it
 */
export function selectorSetting(
  tool: Pick<Tool, 'label' | 'selector'>,
  terminal: Terminal,
  wire: Wire,
): { readonly setting: string | null; readonly reason: Reason | null } {
  if (!tool.selector.length) return { setting: null, reason: null };
  const size = wire.conductor.size;
  const rows = tool.selector.filter((r) => r.barrelSize === terminal.barrelSize);
  const row = rows.find((r) => r.size.scale === size.scale && r.size.value === size.value);
  if (row) {
    return {
      setting: row.setting,
      reason: reason(
        'setting',
        'good',
        `Selector to ${row.setting}, for barrel size ${row.barrelSize} and ${sizeLabel(size)}.`,
      ),
    };
  }
  return {
    setting: null,
    reason: reason(
      'selector-hole',
      'bad',
      rows.length
        ? `The selector table of ${tool.label} has no setting for barrel size ${terminal.barrelSize} with ${sizeLabel(size)}; it has ${rows.map((r) => sizeLabel(r.size)).join(', ')}. A neighbour’s setting is not taken.`
        : `The selector table of ${tool.label} has no row for barrel size ${terminal.barrelSize ?? 'unknown'}.`,
    ),
  };
}
