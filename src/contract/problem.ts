import { objectOf } from './joi.ts';
import { listOf, word } from './replies/plain.ts';

/** One field that was refused: where it is, and a sentence with field, value and limit. */
export interface FieldError {
  /** Path in the body, e.g. `dimensions.loaM` or `steps.0.coats`. */
  path: string;
  message: string;
}

/** Error body, RFC 9457 `application/problem+json`. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** Of a fault of the server: the request, as its log names it. */
  instance?: string;
  errors?: FieldError[];
  /** On a version conflict: the record as it now stands, and the fields in which it differs from what was sent. */
  current?: unknown;
  changed?: string[];
}

/** The kinds of problem, by their stable codes: title and what it means. Codes never change, wording may. */
export const PROBLEM_TYPES = {
  'invalid-data': [
    'Invalid data',
    'A field was refused. `errors` names each field, its value and its limit.',
  ],
  'not-found': ['Not found', 'Nothing has this id or address. It may have been deleted.'],
  'changed-elsewhere': [
    'Changed elsewhere',
    'The record changed after it was read. `current` is the record as it stands, `changed` the fields that differ.',
  ],
  'id-already-used': ['Id already used', 'Another record has this id. Ids are UUIDv7 made by the client.'],
  'already-corrected': [
    'Already corrected',
    'The entry was corrected or struck out before. `current` is what replaced it.',
  ],
  'shared-system': [
    'Shared system',
    'Coats are applied by this system on other areas, so it can’t be changed for one alone.',
  ],
  'no-hull-yet': ['No hull yet', 'The main dimensions of the hull are missing.'],
  'no-waterline-yet': ['No waterline yet', 'The waterline can’t be calculated yet.'],
  'no-token-needed': ['No token needed', 'Readings of this station are fetched by the server.'],
  token: ['Token not valid', 'The station token is missing or no longer valid.'],
  'station-switched-off': [
    'Station switched off',
    'The station doesn’t take readings until it is switched on.',
  ],
  forbidden: ['Forbidden', 'The request comes from another site or over a host name that isn’t allowed.'],
  'bad-request': ['Bad request', 'The request couldn’t be read.'],
  'unsupported-media-type': ['Unsupported media type', 'The body has to be sent as application/json.'],
  'unsupported-file-type': ['Unsupported file type', 'The file isn’t of a type that this address takes.'],
  'file-too-large': ['File too large', 'The file is larger than the server takes.'],
  'not-acceptable': ['Not acceptable', 'The address serves only server-sent events.'],
  'too-many-requests': ['Too many requests', 'Wait as long as the header Retry-After says.'],
  'too-many-connections': [
    'Too many connections',
    'Too many pages are connected. Close some, or try again later.',
  ],
  'disk-full': ['Disk full', 'The disk of the server is full. Nothing was saved; reading goes on.'],
  'read-only': ['Read only', 'The yard’s folder can’t be written to. Nothing was saved; reading goes on.'],
  'server-error': ['Server error', 'A fault of the server. `instance` names the request in its log.'],
} as const satisfies Record<string, readonly [title: string, meaning: string]>;

export type ProblemCode = keyof typeof PROBLEM_TYPES;

/** `type` of a problem (RFC 9457): where its kind is described, with its code behind `#`. */
export const problemType = (code: ProblemCode): string => `/api/v1/problems#${code}`;

/** A kind of problem as the API describes it. */
export interface ProblemKind {
  code: string;
  title: string;
  meaning: string;
}

export const problemKinds = listOf(objectOf<ProblemKind>({ code: word(), title: word(), meaning: word() }));
