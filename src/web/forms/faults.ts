import { t } from '../../words.ts';

/** The fields that are saved together with what was pressed: those of its form, its section, or the page. */
const TOGETHER = 'form, dialog, [role="dialog"], section, main';

/** Fields do not hold what stands in them while they are refused: saving past one would save an older figure. */
export class FieldAtFault extends Error {
  constructor(field: string) {
    super(t`Not saved. Correct ${field || t`the field in error`} first.`);
    this.name = 'FieldAtFault';
  }
}

/**
 * Makes sure that no field beside what was pressed is refused; else the field is gone to.
 *
 * @throws {FieldAtFault}
 */
export function checkNoFault(): void {
  const beside = document.activeElement?.closest(TOGETHER) ?? document.body;
  const field = beside.querySelector<HTMLElement>('[aria-invalid="true"]');
  if (!field) return;
  field.focus();
  const label = field.id && document.querySelector(`label[for="${CSS.escape(field.id)}"]`)?.textContent;
  throw new FieldAtFault(label ? `“${label.trim()}”` : '');
}
