/** A file that cannot be taken, with the field it came in. */
export class JobRefused extends Error {
  readonly path: string;

  constructor(path: string, message: string) {
    super(message);
    this.name = 'JobRefused';
    this.path = path;
  }
}
