import { t } from '../words.ts';
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
    t`Invalid data`,
    t`A field was refused. \`errors\` names each field, its value and its limit.`,
  ],
  'not-found': [t`Not found`, t`Nothing has this id or address. It may have been deleted.`],
  'changed-elsewhere': [
    t`Changed elsewhere`,
    t`The record changed after it was read. \`current\` is the record as it stands, \`changed\` the fields that differ.`,
  ],
  'id-already-used': [t`Id already used`, t`Another record has this id. Ids are UUIDv7 made by the client.`],
  'already-corrected': [
    t`Already corrected`,
    t`The entry was corrected or struck out before. \`current\` is what replaced it.`,
  ],
  'shared-system': [
    t`Shared system`,
    t`Coats are applied by this system on other areas, so it can’t be changed for one alone.`,
  ],
  'no-hull-yet': [t`No hull yet`, t`The main dimensions of the hull are missing.`],
  'no-waterline-yet': [t`No waterline yet`, t`The waterline can’t be calculated yet.`],
  'no-token-needed': [t`No token needed`, t`Readings of this station are fetched by the server.`],
  token: [t`Token not valid`, t`The station token is missing or no longer valid.`],
  'station-switched-off': [
    t`Station switched off`,
    t`The station doesn’t take readings until it is switched on.`,
  ],
  forbidden: [t`Forbidden`, t`The request comes from another site or over a host name that isn’t allowed.`],
  'bad-request': [t`Bad request`, t`The request couldn’t be read.`],
  'unsupported-media-type': [t`Unsupported media type`, t`The body has to be sent as application/json.`],
  'unsupported-file-type': [t`Unsupported file type`, t`The file isn’t of a type that this address takes.`],
  'file-too-large': [t`File too large`, t`The file is larger than the server takes.`],
  'not-acceptable': [t`Not acceptable`, t`The address serves only server-sent events.`],
  'too-many-requests': [t`Too many requests`, t`Wait as long as the header Retry-After says.`],
  'too-many-connections': [
    t`Too many connections`,
    t`Too many pages are connected. Close some, or try again later.`,
  ],
  'disk-full': [t`Disk full`, t`The disk of the server is full. Nothing was saved; reading goes on.`],
  'read-only': [t`Read only`, t`The yard’s folder can’t be written to. Nothing was saved; reading goes on.`],
  'server-error': [t`Server error`, t`A fault of the server. \`instance\` names the request in its log.`],
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
