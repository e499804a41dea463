import type { CombinationView } from '@tug-mark/contract';
import { capital, type Judgement, type SetUp } from '@tug-mark/core';
import type { Hand } from '../hand/hand';

/** One step of the set-up run, with how it stands and the stage it is done in. */
export interface ReleaseStep {
  readonly title: string;
  readonly said: string;
  readonly state: 'pass' | 'hold' | 'fail' | 'missing';
  readonly to: string;
}

/** The set-up run step by step, from wire and terminal to the pull. */
export function releaseSteps(
  { practice }: CombinationView,
  setUp: SetUp,
  judgement: Judgement,
  of: Hand['of'],
): readonly ReleaseStep[] {
  const stage = new Map(judgement.stages.map((s) => [s.stage, s]));
  const state = (name: 'match' | 'prepare' | 'tool' | 'crimp' | 'look' | 'tug') => stage.get(name)?.state ?? 'missing';
  const taken = of('tool').at(-1)?.body;
  const tool = setUp.tool;
  const measured = (what: 'strip' | 'height') => of('measure').filter((e) => e.body.what === what).length;
  return [
    { title: 'Wire and terminal', said: stage.get('match')?.answer ?? '', state: state('match'), to: 'match' },
    {
      title: 'Mount and check',
      said: taken
        ? (stage.get('tool')?.answer ?? '')
        : tool
          ? capital(
              `${[...tool.changes.map((c) => c.what), tool.state.state === 'ready' ? 'take it' : 'check it, then take it'].join(', ')}: ${tool.tool.label}, ${tool.die.label}, nest ${tool.nest.label}.`,
            )
          : (stage.get('tool')?.answer ?? ''),
      state: state('tool'),
      to: 'tool',
    },
    {
      title: 'Strip, measured',
      said: `${setUp.preparation?.strip.setPoint ?? 'no'} mm; ${measured('strip')} of ${practice.measuredPieces * setUp.wires.length} measured.`,
      state: state('prepare'),
      to: 'prepare',
    },
    { title: 'First pieces', said: stage.get('crimp')?.answer ?? '', state: state('crimp'), to: 'crimp' },
    {
      title: 'Height and look',
      said: `${setUp.measures.height ? `${measured('height')} of ${practice.measuredPieces} heights measured. ` : ''}${stage.get('look')?.answer ?? ''}`,
      state: state('look'),
      to: 'look',
    },
    {
      title: 'Pulled',
      said: `${stage.get('tug')?.answer ?? ''} ${setUp.pulledWith}`,
      state: state('tug'),
      to: 'tug',
    },
  ];
}

/** Which newer revisions there are than the set-up was made from, and what to do; empty when there are none. */
export function newerText({ newest, revisions }: Pick<CombinationView, 'newest' | 'revisions'>): string {
  const newer = (['terminal', 'wire', 'practice'] as const).filter((what) => newest[what] > revisions[what]);
  const isNewer = (of: readonly number[] = [], now: readonly number[] = []) =>
    of.some((revision, i) => (now[i] ?? 0) > revision);
  const names = [
    ...newer,
    ...(isNewer(revisions.together, newest.together) ? ['other wire'] : []),
    ...(isNewer(revisions.opposite, newest.opposite) ? ['wire at the other end'] : []),
  ];
  return names.length
    ? `There is a newer revision of the ${names.join(' and the ')}. Begin the set-up again to work from it.`
    : '';
}
