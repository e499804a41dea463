import { GLOSSARY } from './index';

describe('The glossary', () => {
  it('has each term once, in the order of the alphabet, and says of each what it is and not only its name', () => {
    const terms = GLOSSARY.map(({ term }) => term.toLowerCase());
    expect(terms).toEqual([...terms].sort((a, b) => a.localeCompare(b)));
    expect(new Set(terms).size).toBe(terms.length);
    for (const { term, text } of GLOSSARY) {
      expect(text)
        .withContext(term)
        .toMatch(/^[A-Z].{30,}\.$/);
    }
  });
});
