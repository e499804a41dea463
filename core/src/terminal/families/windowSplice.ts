import { SPLICE, type FamilyRule } from '../FamilyRule';

/** A butt splice with a window in its middle, through which both wire ends are seen after the bite. */
export const windowSplice: FamilyRule = {
  ...SPLICE,
  name: 'window splice',
  // An oval closes the window; only a tool's own sheet can say that its does not.
  nests: { listed: ['window-indent', 'symmetric-oval'], byShape: ['window-indent'] },
  lies: {
    headline: 'Window up, bite in the window’s plane.',
    why: 'The conductor has to be seen in the window after the bite.',
    confirm: 'Window is up, wire seen in it',
    angle: 0,
    wrong: { angle: 90, text: 'Window to the side: the bite closes it and nobody sees the wire.' },
  },
  asksForHole: false,
  words: {
    ...SPLICE.words,
    liesBy: 'window',
    holeInShort: 'window',
    wayRound: 'Window up; bite in the window’s plane, both sides alike; splice straight.',
  },
  drawing: { ...SPLICE.drawing, windowEndOn: true },
};
