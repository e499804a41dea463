import type { Practice } from '../practice';
import { strainRelief } from '../prepare';
import { familyOf, type Terminal } from '../terminal';
import type { Wire } from '../wire';

/**
 * What comes after the crimp, in order: into its cavity, what the family asks for, and what keeps the wire still. It is shown with the
 * set-up and not asked of the sample pieces, which are pulled instead.
 */
export function aftercare(terminal: Terminal, wire: Wire, practice: Practice): string[] {
  const { cavity } = terminal;
  const steps: string[] = [];
  if (cavity) {
    steps.push(
      cavity.insertionTool === null
        ? 'Push the contact straight into its cavity by hand until it clicks.'
        : `Push the contact straight into its cavity with ${cavity.insertionTool} until it clicks.`,
    );
    if (cavity.secondaryLock) steps.push('Close the secondary lock. It only closes when every contact is home.');
    steps.push('Push-test: a light push and pull on each wire, nothing moves.');
    steps.push(
      `Out again: ${cavity.release} release, ${cavity.removalTool ?? 'by hand'}, straight. A contact taken out is looked at before it is used again.`,
    );
  }
  return [...steps, ...familyOf(terminal).aftercare(terminal), strainRelief(terminal, wire, practice).text];
}
