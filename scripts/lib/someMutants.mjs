import { createHash } from 'node:crypto';
import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin';

const share = Number(process.env.TUG_MUTANTS_SHARE ?? 1);
/** Where the share begins, 0 to 1: another beginning tries others, that no spec was written for. */
const from = Number(process.env.TUG_MUTANTS_FROM ?? 0);

/** Whether a mutant is among those tried: the same ones at every run, whichever they are, and those of a smaller share among those of a larger. */
const isTried = ({ fileName, location, mutatorName, replacement }) => {
  const { start, end } = location;
  const name = [
    fileName.slice(fileName.indexOf('core/src')),
    start.line,
    start.column,
    end.line,
    end.column,
    mutatorName,
    replacement,
  ].join(' ');
  const at = createHash('sha256').update(name).digest().readUInt32BE() / 2 ** 32;
  return at >= from && at < from + share;
};

/** Lets the runner try a share of the mutants, chosen by chance, and says so of each that it leaves. */
export const strykerPlugins = [
  declareValuePlugin(PluginKind.Checker, 'some', {
    init: () => Promise.resolve(),
    group: (mutants) => Promise.resolve([mutants.map(({ id }) => id)]),
    check: (mutants) =>
      Promise.resolve(
        Object.fromEntries(
          mutants.map((mutant) => [
            mutant.id,
            isTried(mutant) ? { status: 'passed' } : { status: 'compileError', reason: 'not of the share tried' },
          ]),
        ),
      ),
  }),
];
