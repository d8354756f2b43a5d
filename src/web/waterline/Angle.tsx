import { t } from '../../words.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';

/** An angle at which the boat stands: solved from the marks, or measured with a level and typed. */
export function Angle({
  label,
  typed,
  value,
  onChange,
}: {
  label: string;
  typed: string;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  return (
    <>
      <Choice
        label={label}
        value={value === null ? 'solved' : 'measured'}
        choices={[
          ['solved', t`from the marks`],
          ['measured', t`measured`],
        ]}
        onChange={(how) => onChange(how === 'measured' ? 0 : null)}
      />
      {value !== null && <NumberField label={typed} unit="°" value={value} onChange={onChange} />}
    </>
  );
}
