import type { Problem } from '../../contract/index.ts';

/** The server said no, and why. */
export class ApiProblem extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail);
    this.name = 'ApiProblem';
    this.problem = problem;
  }
}

/** The server could not be reached: nothing was said, nothing was lost. */
export class Unreachable extends Error {
  constructor() {
    super('The server cannot be reached. What you typed is still here.');
    this.name = 'Unreachable';
  }
}

/** One request to the API. @throws {ApiProblem | Unreachable} */
export async function api<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
  } catch {
    throw new Unreachable();
  }
  if (response.status === 204) return undefined as T;
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => null)) as Problem | null;
  if (!problem?.detail) throw new Unreachable();
  throw new ApiProblem(problem);
}
