import { hash, verify } from '@node-rs/argon2';
import { randomInt } from 'node:crypto';

/** Argon2id with 19 MiB and 2 passes, the floor OWASP's password storage sheet gives for it. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Verifies against `stored`, or against a made hash of equal cost when there is no such person, so that time tells nothing. */
export async function verifyPassword(stored: string | undefined, password: string): Promise<boolean> {
  // Somebody who was moved in has none until they choose one.
  const has = stored !== undefined && stored !== '';
  const matches = await verify(has ? stored : await nobody, password);
  return has && matches;
}
const nobody = hashPassword('nobody has this password');

/** Letters and digits nobody takes for another when they are read out. */
const CLEAR = 'abcdefghjkmnpqrstuvwxyz23456789';

/** A word to be read out or written on a slip: three groups of four, 59 bits. */
export function makeOnceWord(): string {
  const group = () => Array.from({ length: 4 }, () => CLEAR.charAt(randomInt(CLEAR.length))).join('');
  return [group(), group(), group()].join('-');
}

/** Guesses a password has to stand: 10^8 and more (a score of 3 of 4). */
const LEAST_SCORE = 3;
let estimator: Promise<{ check: (password: string, own: string[]) => Estimate }> | null = null;
interface Estimate {
  readonly score: number;
  readonly feedback: { readonly warning?: string | null; readonly suggestions: readonly string[] };
}

/**
 * Why a password is easily guessed, in words; null where it is not. The lists of common ones are read with the first.
 * @param own words a guesser would try first: names of the person and the shop
 */
export async function whyWeak(password: string, own: readonly string[]): Promise<string | null> {
  estimator ??= Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]).then(
    ([{ ZxcvbnFactory }, common, english]) =>
      new ZxcvbnFactory({
        dictionary: { ...common.dictionary, ...english.dictionary },
        graphs: common.adjacencyGraphs,
        translations: english.translations,
      }),
  );
  const words = own.flatMap((name) => [name, ...name.split(/\s+/)]);
  const { score, feedback } = (await estimator).check(password, words);
  if (score >= LEAST_SCORE) return null;
  return [feedback.warning, ...feedback.suggestions].filter(Boolean).join(' ');
}
