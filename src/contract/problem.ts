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
