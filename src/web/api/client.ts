import type { ChangeSet, Problem } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { noteServerClock } from '../state/deviceClock.ts';

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
  constructor(
    message = t`Couldn’t reach the server. Your changes are still here. Check the connection and try again.`,
  ) {
    super(message);
    this.name = 'Unreachable';
  }
}

export type ApiMethod = 'GET' | 'POST' | 'PUT' | 'DELETE';

/** A change asked of the server. */
export interface WriteRequest {
  method: Exclude<ApiMethod, 'GET'>;
  path: string;
  body?: unknown;
}

/** How long an answer may take, ms: a screen, and a write, which may read a whole file. */
const LONGEST_READ_MS = 20_000;
const LONGEST_WRITE_MS = 60_000;
/** A plan is worked out while one waits, in turn with others: slow is not gone. */
const LONGEST_PLANNED_MS = 120_000;
const longestOf = (method: ApiMethod, path: string): number => {
  if (method !== 'GET') return LONGEST_WRITE_MS;
  return path.startsWith('/plan') ? LONGEST_PLANNED_MS : LONGEST_READ_MS;
};
/** The header by which an answer says what its request changed. */
const CHANGES = 'x-changes';

const REVISION = 'x-revision';
/** Writes of this page that it has heard of in its own answers: not again over the stream. */
const ownWrites = new Set<number>();
const MOST_REMEMBERED = 200;

/** Writes of this page that have not been answered yet: the stream may tell of one before its answer does. */
const underWay = new Set<Promise<unknown>>();

/** Whether a write told over the stream is one of this page's own, whose answer says so itself. */
export async function isOwnWrite(n: number | undefined): Promise<boolean> {
  if (n === undefined) return false;
  await Promise.allSettled([...underWay]);
  return ownWrites.delete(n);
}

function rememberOwn(revision: string | null): void {
  if (revision === null) return;
  ownWrites.add(Number(revision));
  const [oldest] = ownWrites;
  if (ownWrites.size > MOST_REMEMBERED && oldest !== undefined) ownWrites.delete(oldest);
}

type Listener = (changes: ChangeSet) => void | Promise<void>;
let onChanges: Listener = () => {};

/** Has `listener` told of everything that requests of this page changed, before they are answered. */
export function listenToOwnChanges(listener: Listener): void {
  onChanges = listener;
}

function noAnswer(error: unknown, longest: number): Unreachable {
  const late = error instanceof DOMException && error.name === 'TimeoutError';
  return late
    ? new Unreachable(
        t`The server didn’t answer within ${longest / 1000} s. Your changes are still here. Try again.`,
      )
    : new Unreachable();
}

/** One request to the API. @throws {ApiProblem | Unreachable} */
export function api<T>(method: ApiMethod, path: string, body?: unknown): Promise<T> {
  const asked = request<T>(method, path, body);
  if (method === 'GET') return asked;
  underWay.add(asked);
  const answered = () => void underWay.delete(asked);
  asked.then(answered, answered);
  return asked;
}

async function request<T>(method: ApiMethod, path: string, body?: unknown): Promise<T> {
  const longest = longestOf(method, path);
  let response: Response;
  let text: string;
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      signal: AbortSignal.timeout(longest),
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
    text = await response.text();
  } catch (error) {
    throw noAnswer(error, longest);
  }
  let reply: unknown;
  try {
    reply = text === '' ? undefined : JSON.parse(text);
  } catch {
    throw new Unreachable(t`The server’s answer was incomplete. Your changes are still here. Try again.`);
  }
  noteServerClock(response.headers.get('date'));
  if (response.ok) {
    rememberOwn(response.headers.get(REVISION));
    const changes = response.headers.get(CHANGES);
    if (changes) await onChanges(JSON.parse(changes) as ChangeSet);
    return reply as T;
  }
  const problem = reply as Problem | undefined;
  if (!problem?.detail) throw new Unreachable();
  throw new ApiProblem(problem);
}
