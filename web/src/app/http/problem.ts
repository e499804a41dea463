import { HttpErrorResponse } from '@angular/common/http';
import type { Problem } from '@tug-mark/contract';

/** A call that did not succeed: the server's refusal, or that nothing usable came back. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(`${problem.title} ${problem.detail}`);
  }

  /**
   * The server read the request and says no, with its reason: sending the same again changes nothing, and a person has to
   * decide. Everything else passes: no network, a proxy's page, a database that is away, a fault.
   */
  get isRefusal(): boolean {
    const { status, type } = this.problem;
    return status >= 400 && status < 500 && status !== 429 && type.startsWith('urn:tug-mark:problem:');
  }

  /** The server or its database does not answer: nothing that is sent now gets through. */
  get isOffline(): boolean {
    return !this.isRefusal && this.problem.code !== 'fault';
  }
}

export const OFFLINE: Problem = {
  type: 'about:blank',
  title: 'The server does not answer.',
  status: 0,
  detail: 'What you entered is kept on this device and sent as soon as it answers.',
  code: 'offline',
};

const isProblem = (body: unknown): body is Problem =>
  typeof body === 'object' && body !== null && 'title' in body && 'detail' in body && 'code' in body;

/** What a failed answer says, as problem details. */
export function readProblem(status: number, body: unknown): ApiProblem {
  if (isProblem(body)) return new ApiProblem(body);
  if (typeof body === 'string') {
    try {
      const parsed: unknown = JSON.parse(body);
      if (isProblem(parsed)) return new ApiProblem(parsed);
    } catch {
      // Some proxy's page: it says nothing of ours.
    }
  }
  return new ApiProblem({ ...OFFLINE, status });
}

/** Any failure of a call as problem details; a bug of ours says so. */
export function toProblem(error: unknown): Problem {
  if (error instanceof ApiProblem) return error.problem;
  if (error instanceof HttpErrorResponse) return readProblem(error.status, error.error).problem;
  console.error(error);
  return {
    ...OFFLINE,
    status: 500,
    title: 'Something went wrong on this page.',
    detail: 'Reload it; what you entered is kept.',
  };
}
