import { fileURLToPath } from 'node:url';

/** The checkout, with a slash at its end. */
export const ROOT = fileURLToPath(new URL('../../', import.meta.url));
/** Everything the scripts keep between runs; never committed. */
export const STATE = `${ROOT}.tug-mark/`;
