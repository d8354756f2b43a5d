import { type ReactNode, useEffect, useRef, useState } from 'react';
import { useFormContext, useFormState } from 'react-hook-form';
import type { SheetValues } from './sheetValues.ts';

interface Props {
  title: string;
  /** What the paper says under it, so that one knows whether to look. */
  about: string;
  children: ReactNode;
}

/** A further step of a sheet, closed until it is wanted; it opens by itself where something in it was refused. */
export function SheetStep({ title, about, children }: Props) {
  const { control } = useFormContext<SheetValues>();
  const { errors } = useFormState({ control });
  const step = useRef<HTMLDetailsElement>(null);
  const [open, setOpen] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked for again with every refusal
  useEffect(() => {
    if (step.current?.querySelector('[aria-invalid="true"]')) setOpen(true);
  }, [errors]);
  return (
    <details
      ref={step}
      className="border-base-300 border-y"
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="target cursor-pointer py-3 text-lg">
        <span className="lettered">{title}</span> <span className="text-sm opacity-80">{about}</span>
      </summary>
      <div className="space-y-5 pb-5">{children}</div>
    </details>
  );
}
