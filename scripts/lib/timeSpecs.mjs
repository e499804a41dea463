import { writeFileSync } from 'node:fs';

/** A reporter of Jasmine that keeps how long every spec took, and where it stands. */
export default class TimeSpecs {
  #specs = [];

  specDone({ fullName, filename, duration }) {
    this.#specs.push({ fullName, filename, ms: duration });
  }

  jasmineDone() {
    writeFileSync(process.env.TUG_SPEC_TIMES, JSON.stringify(this.#specs));
  }
}
