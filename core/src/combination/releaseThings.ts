import { entriesOf, type Entry, type ReleaseSheets } from '../entry';
import { sheetName, type PartSheet } from '../part';
import { familyName } from '../terminal';
import type { SetUp } from './computeSetUp';
import type { Judgement, Stage } from './judgeCombination';

/** One of the six things a release asks for. */
export interface ReleaseThing {
  readonly thing: 'person' | 'wire' | 'terminal' | 'tool' | 'document' | 'inspection';
  readonly title: string;
  readonly isThere: boolean;
  readonly text: string;
}

/** Papers nobody has named yet: neither in the cabinet nor with the release. */
export function missingSheets(
  { sheets }: Pick<SetUp, 'sheets'>,
  named: ReleaseSheets = {},
): readonly (keyof ReleaseSheets)[] {
  return (['terminal', 'tool'] as const).filter((of) => !(named[of] ?? sheets[of]));
}

/**
 * The six things a set-up is released on: a person trained for its family, the wire, the terminal, the tool, the documents they
 * stand on, and the inspection. What is missing holds the release. Who puts evidence on record is qualified for the family when they
 * do: the server asks for it at every entry, by the shop's list of qualifications.
 *
 * @param entries of the current run
 * @param named papers named with the release
 */
export function releaseThings(
  setUp: SetUp,
  entries: readonly Entry[],
  judgement: Judgement,
  named: ReleaseSheets = {},
): readonly ReleaseThing[] {
  const stage = (name: Stage) => judgement.stages.find((each) => each.stage === name);
  const passed = (name: Stage) => stage(name)?.state === 'pass';
  const people = [...new Set([...entriesOf(entries, 'gate'), ...entriesOf(entries, 'reading')].map(({ by }) => by))];
  const missing = missingSheets(setUp, named);
  const paper = (of: keyof ReleaseSheets): string => {
    const sheet: PartSheet | null = named[of] ?? setUp.sheets[of];
    return `${of}: ${sheet ? sheetName(sheet) : 'no sheet is named'}`;
  };
  const { limit } = setUp.standing;
  const limits = limit ? `limits: ${limit.table.document} rev ${limit.table.revision}` : 'no limit table applies';
  const stripped = setUp.sheets.stripper ? `; stripper: ${sheetName(setUp.sheets.stripper)}` : '';
  return [
    {
      thing: 'person',
      title: 'Person',
      isThere: people.length > 0,
      text: people.length
        ? `${people.join(', ')}. Whoever the shop does not call qualified for ${familyName(setUp.family)} is refused at every entry.`
        : 'Nobody has put a step or a pull on record yet.',
    },
    {
      thing: 'wire',
      title: 'Wire',
      isThere: passed('prepare'),
      text: stage('prepare')?.answer ?? '',
    },
    { thing: 'terminal', title: 'Terminal', isThere: passed('match'), text: stage('match')?.answer ?? '' },
    {
      thing: 'tool',
      title: 'Tool',
      isThere: passed('tool') && passed('crimp'),
      text: (passed('tool') ? stage('crimp') : stage('tool'))?.answer ?? '',
    },
    {
      thing: 'document',
      title: 'Documents',
      isThere: missing.length === 0 && limit !== null,
      text: `${paper('terminal')}; ${paper('tool')}; ${limits}${stripped}`,
    },
    {
      thing: 'inspection',
      title: 'Inspection',
      isThere: passed('look') && passed('tug'),
      text: [stage('look')?.answer, stage('tug')?.answer].filter(Boolean).join(' '),
    },
  ];
}
