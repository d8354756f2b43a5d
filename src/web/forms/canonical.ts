import type Joi from 'joi';
import type { FieldError } from '../../contract/index.ts';
import { parseNumber, parseQuantity, type Quantity, type UnitSystem } from '../../core/units/index.ts';

/** Reads a form's texts into canonical figures, gathering what cannot be read by field. */
export class FormReader {
  readonly errors: FieldError[] = [];
  readonly #system: UnitSystem;

  constructor(system: UnitSystem) {
    this.#system = system;
  }

  /** A figure in the shown unit of `quantity`, or with its own unit behind it. NaN when refused. */
  quantity(path: string, label: string, text: string, quantity: Quantity): number {
    return this.#read(path, label, () => parseQuantity(text, quantity, this.#system));
  }

  /** As {@link quantity}, empty meaning "not stated". */
  optionalQuantity(path: string, label: string, text: string, quantity: Quantity): number | null {
    return text.trim() === '' ? null : this.quantity(path, label, text, quantity);
  }

  /** A plain number. */
  number(path: string, label: string, text: string): number {
    return this.#read(path, label, () => parseNumber(text));
  }

  optionalNumber(path: string, label: string, text: string): number | null {
    return text.trim() === '' ? null : this.number(path, label, text);
  }

  /** A percentage, as a fraction. */
  percent(path: string, label: string, text: string): number {
    return this.number(path, label, text.replace('%', '')) / 100;
  }

  refuse(path: string, message: string): void {
    this.errors.push({ path, message });
  }

  #read(path: string, label: string, read: () => number): number {
    try {
      return read();
    } catch (error) {
      const sentence = `${label} ${(error as Error).message}`;
      this.errors.push({ path, message: sentence.charAt(0).toUpperCase() + sentence.slice(1) });
      return Number.NaN;
    }
  }
}

/**
 * The contract's own refusals of `value`, with those of the reader; the reader's win on the same field. With the server
 * gone before the contract was fetched the reader's stand alone: what is sent or kept to be sent is checked there again.
 *
 * @param formPath where the contract's paths stand in the form
 */
export async function refusals<T>(
  pick: (contract: typeof import('../../contract/index.ts')) => Joi.Schema<T>,
  value: T,
  reader: FormReader,
  formPath: (path: string) => string = (path) => path,
): Promise<FieldError[]> {
  const contract = await import('../../contract/index.ts').catch(() => null);
  if (!contract) return reader.errors;
  const result = pick(contract).validate(value, contract.strict);
  const unreadable = new Set(reader.errors.map((e) => e.path));
  const more = (result.error?.details ?? [])
    .map((detail) => ({
      path: formPath(detail.path.join('.')),
      message: contract.asSentence(detail.message),
    }))
    .filter((e) => !unreadable.has(e.path));
  return [...reader.errors, ...more];
}
