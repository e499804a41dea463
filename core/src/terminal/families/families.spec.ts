import { computeSetUp, judgeCombination } from '../../combination';
import { drawPieceSide, drawSheet } from '../../sheet';
import { asDrawn, faultsOf } from '../../look';
import { families, familyContext } from '../../testing/families';
import { NOW } from '../../testing/shop';
import { USUAL, type FamilyRule } from '../FamilyRule';
import { FAMILIES, type Family } from '../kinds';
import { FAMILY_RULES } from './index';

/** One that is not in the trade: a clip whose barrel is pressed square, called by words of its own everywhere. */
const clip: FamilyRule = {
  ...USUAL,
  name: 'pasture clip',
  nests: { listed: ['square'], byShape: [] },
  aftercare: () => ['Hook it over the rail.'],
  gripsInsulation: false,
  words: {
    ...USUAL.words,
    front: 'hook',
    inOnePlane: 'Hook and barrel',
    hole: 'slot',
    wayRound: 'Hook straight, barrel square.',
    titles: { tongue: 'Hook' },
  },
};

describe('A family', () => {
  it('is one file in one table: all twelve are there, each under a name of its own', () => {
    expect(Object.keys(FAMILY_RULES).sort()).toEqual([...FAMILIES].sort());
    expect(new Set(Object.values(FAMILY_RULES).map(({ name }) => name)).size).toBe(FAMILIES.length);
  });

  describe('that is added', () => {
    const rules = FAMILY_RULES as Record<string, FamilyRule>;
    beforeAll(() => {
      rules['clip'] = clip;
    });
    afterAll(() => {
      delete rules['clip'];
    });
    const setUp = () => {
      const context = familyContext('bare-terminal');
      const terminal = { ...families['bare-terminal'], family: 'clip' as Family };
      const tools = context.tools.map((tool) => ({
        ...tool,
        dies: tool.dies.map((die) => ({
          ...die,
          nests: die.nests.map((nest) => (nest.profile === 'square' ? { ...nest, terminals: [terminal.part] } : nest)),
        })),
      }));
      const own = { ...context, terminal, tools };
      return { own, found: computeSetUp(own, [], NOW) };
    };

    it('is pressed by its own nests and by no others', () => {
      const { found } = setUp();
      expect(found.toolChoice.candidates.map((c) => c.nest.profile)).toEqual(['square']);
    });

    it('is looked at in its own words, and never for what it never has', () => {
      const { found } = setUp();
      const words = found.criteria.flatMap(({ title, accept }) => [title, accept]).join(' ');
      expect(words).toContain('Hook straight, barrel square.');
      expect(words).toContain('on the barrel and not on the hook');
      expect(words).not.toMatch(/tongue|Tongue/);
      expect(found.criteria.map(({ code }) => code)).not.toContain('insulation-grip');
      expect(found.after[0]).toBe('Hook it over the rail.');
    });

    it('has its faults by name, its drawing and its sheet without a line for it anywhere else', () => {
      const { own, found } = setUp();
      if (!found.look) throw new Error('nothing to look at');
      const faults = faultsOf(found.look);
      expect(faults.length).toBeGreaterThan(5);
      expect(faults.map(({ title }) => title).join()).not.toMatch(/tongue/i);
      expect(drawPieceSide(found.look, asDrawn(found.look))?.shapes.length).toBeGreaterThan(5);
      const about = { list: 'Mast loom', terminal: own.terminal.part, wire: own.wire.part, pieces: 12 };
      const judgement = judgeCombination(found, [], own, NOW);
      const shop = { name: 'Fennick Lane', isDemo: true };
      const pages = drawSheet(
        { shop, about, context: own, setUp: found, judgement, link: 'http://127.0.0.1/', printedAt: 'now' },
        'A4',
      );
      expect(JSON.stringify(pages)).toContain('pasture clip');
    });
  });
});
