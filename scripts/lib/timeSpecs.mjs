import { writeFileSync } from 'node:fs';
import { placeOf } from './quickSpecs.mjs';

/** A reporter of Jasmine that keeps how long every spec took, and where it stands. */
export default class TimeSpecs {
  #specs = [];

  specDone({ fullName, duration }) {
    this.#specs.push({ fullName, filename: placeOf.get(fullName) ?? '', ms: duration });
  }

  jasmineDone() {
    writeFileSync(process.env.TUG_SPEC_TIMES, JSON.stringify(this.#specs));
  }
}
