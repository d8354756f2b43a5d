import { useController } from 'react-hook-form';
import { useFieldMessages } from './Field.tsx';
import { TimeInput } from './TimeInput.tsx';

/** A labelled date and time of a form, with its hint and refusal. */
export function TimeField({
  name,
  label,
  hint,
  large,
  stepped,
}: {
  name: string;
  label: string;
  hint?: string;
  large?: boolean;
  stepped?: boolean;
}) {
  const { field } = useController({ name });
  const { message, described, under } = useFieldMessages(name, hint);
  return (
    <div className="min-w-0">
      <TimeInput
        label={label}
        value={field.value}
        onChange={field.onChange}
        onBlur={field.onBlur}
        large={large}
        invalid={message !== undefined}
        describedBy={described['aria-describedby']}
        stepped={stepped}
        focusRef={field.ref}
      />
      {under}
    </div>
  );
}
