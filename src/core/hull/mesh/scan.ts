/** Reads numbers and words out of the bytes of a text file, without making strings of a hundred megabytes. */
export class Scan {
  at = 0;
  readonly bytes: Uint8Array;

  constructor(bytes: Uint8Array) {
    this.bytes = bytes;
  }

  get done(): boolean {
    return this.at >= this.bytes.length;
  }

  /** Over blanks within a line. */
  blanks(): void {
    while (this.bytes[this.at] === 32 || this.bytes[this.at] === 9 || this.bytes[this.at] === 13) this.at++;
  }

  /** Over blanks and line ends. */
  space(): void {
    while (this.at < this.bytes.length && (this.bytes[this.at] as number) <= 32) this.at++;
  }

  /** To the start of the next line. */
  line(): void {
    while (this.at < this.bytes.length && this.bytes[this.at] !== 10) this.at++;
    this.at++;
  }

  get atLineEnd(): boolean {
    const byte = this.bytes[this.at];
    return byte === undefined || byte === 10 || byte === 35;
  }

  word(): string {
    let text = '';
    while (this.at < this.bytes.length && (this.bytes[this.at] as number) > 32) {
      text += String.fromCharCode(this.bytes[this.at++] as number);
    }
    return text;
  }

  /** A whole number; NaN where there is none. */
  whole(): number {
    const sign = this.#sign();
    const from = this.at;
    let value = 0;
    for (let d = this.#digit(); d >= 0; d = this.#digit()) {
      value = value * 10 + d;
      this.at++;
    }
    return this.at === from ? Number.NaN : sign * value;
  }

  /** A decimal number; NaN where there is none, the word after the sign being passed over. */
  number(): number {
    const sign = this.#sign();
    const from = this.at;
    let value = 0;
    let scale = 0;
    let digits = 0;
    for (let d = this.#digit(); d >= 0; d = this.#digit(), digits++) {
      value = value * 10 + d;
      this.at++;
    }
    if (this.bytes[this.at] === 46) {
      this.at++;
      for (let d = this.#digit(); d >= 0; d = this.#digit(), digits++) {
        value = value * 10 + d;
        scale--;
        this.at++;
      }
    }
    if (digits === 0) {
      this.at = from;
      this.word();
      return Number.NaN;
    }
    const e = this.bytes[this.at];
    if (e === 101 || e === 69) {
      this.at++;
      scale += this.whole();
    }
    return sign * (scale === 0 ? value : scale < 0 ? value / 10 ** -scale : value * 10 ** scale);
  }

  #sign(): 1 | -1 {
    const byte = this.bytes[this.at];
    if (byte === 45 || byte === 43) this.at++;
    return byte === 45 ? -1 : 1;
  }

  #digit(): number {
    const byte = (this.bytes[this.at] ?? 0) - 48;
    return byte >= 0 && byte <= 9 ? byte : -1;
  }
}
