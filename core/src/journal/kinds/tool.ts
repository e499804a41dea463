import { isSameDocument } from '../../document';
import { ownSheet } from '../../look';
import { refuse, type BodyOf, type Kind } from '../Kind';

/** The tool, die and nest a run's pieces are made with. */
export const tool: Kind<BodyOf<'tool'>> = {
  place: () => 'tool',
  reads: () => null,
  after: 'pair',
  rests: false,
  check(body, { setUp, own }) {
    const wanted = setUp.toolChoice.candidates.find(
      (c) => c.tool.part === body.tool && c.die.id === body.die && c.nest.id === body.nest,
    );
    if (!wanted) {
      return refuse(
        'tool-not-suitable',
        'tool',
        `${body.tool}, nest ${body.nest} is not among the tools for this pair.`,
      );
    }
    if (wanted.state.state !== 'ready') {
      const why = wanted.state.reasons.find((r) => r.weight !== 'good' && r.weight !== 'note');
      return refuse('tool-refused', 'tool', why?.text ?? `${wanted.tool.label} is not fit for use.`);
    }
    const stops = wanted.reasons.find((r) => r.weight === 'bad');
    if (stops) return refuse('tool-refused', 'tool', stops.text);
    if ((body.setting ?? null) !== wanted.setting) {
      return refuse('setting-wrong', 'setting', `The selector has to stand at ${wanted.setting ?? 'no setting'}.`);
    }
    if ((body.positioner ?? null) !== (wanted.positioner?.id ?? null)) {
      return refuse('positioner-wrong', 'positioner', `It needs ${wanted.positioner?.label ?? 'no positioner'}.`);
    }
    const named = ownSheet(setUp.lookInEffect);
    if (!isSameDocument(body.look, named)) {
      return refuse(
        'look-stale',
        'look',
        named
          ? `Pieces are looked at by ${named.document} rev ${named.revision} now. Look again, then take the tool.`
          : 'No sheet to look by is in effect any more. Look again, then take the tool.',
      );
    }
    if (own.some((e) => e.body.kind === 'finding' || e.body.kind === 'reading')) {
      return refuse(
        'pieces-made',
        'tool',
        'Pieces made with the first tool are on record, and prove nothing about another. Begin the set-up again, then take the other tool.',
      );
    }
    return null;
  },
  sentence: ({ tool: part, die, nest, setting, positioner }) =>
    `Tool ${part}, die ${die}, nest ${nest}${setting ? `, setting ${setting}` : ''}${positioner ? `, ${positioner}` : ''} taken`,
};
