import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** Keeps what went wrong outside any test, which the runner's own report leaves out. */
export default class ErrorsReporter {
  onTestRunEnd(_modules, errors) {
    const folder = path.resolve(import.meta.dirname, '../.cache/reports');
    mkdirSync(folder, { recursive: true });
    const texts = errors.map(({ name, message, stack }) => `${name}: ${message}\n${stack ?? ''}`);
    writeFileSync(path.join(folder, 'errors.json'), JSON.stringify(texts));
  }
}
