import { hash, verify } from '@node-rs/argon2';

/** Argon2id with 19 MiB and 2 passes, the floor OWASP's password storage sheet gives for it. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Verifies against `stored`, or against a made hash of equal cost when there is no such person, so that time tells nothing. */
export async function verifyPassword(stored: string | undefined, password: string): Promise<boolean> {
  const matches = await verify(stored ?? (await nobody), password);
  return stored !== undefined && matches;
}
const nobody = hashPassword('nobody has this password');
