import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { type DefaultValues, type FieldValues, FormProvider, type Path, useForm } from 'react-hook-form';
import type { FieldError, Problem } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { ApiProblem } from '../api/client.ts';
import { useUnsaved } from '../state/unsaved.ts';
import {
  ChangesElsewhere,
  differs,
  followOthers,
  sayWorkedOut,
  startAgain,
  startFrom,
} from './changesElsewhere.ts';

interface Props<T extends FieldValues> {
  values: DefaultValues<T>;
  /** Sends the values; returns refusals by field, or nothing when all went well. May throw ApiProblem. */
  submit: (values: T, over: { version?: number }) => Promise<FieldError[] | 'not sent' | undefined>;
  /** A record that existed already is saved: called only if nothing was typed while it was on its way. */
  onSaved?: () => void;
  children: ReactNode;
  button: string;
  /** Further buttons beside the main one. */
  beside?: ReactNode;
  className?: string;
  large?: boolean;
  /** Its values are worked out, not those of a record: nobody changes them elsewhere. */
  workedOut?: boolean;
  /** The record as it was opened: on a version conflict, what someone else changed since is found by it. */
  base?: object | null;
  /** What a field of the record is called. */
  fieldWords?: Record<string, string>;
}

/**
 * A form that loses nothing: refusals stand at their fields with everything typed still there, a server out of
 * reach is said, and a record changed elsewhere is shown before anything is written over it.
 */
export function RecordForm<T extends FieldValues>(props: Props<T>) {
  const { workedOut = false } = props;
  const form = useForm<T>({ defaultValues: props.values });
  // Which fields are typed in is listened to: with the first of them alone, the next would not be heard of.
  const { isDirty, dirtyFields, isSubmitting, defaultValues } = form.formState;
  const isTyped =
    (isDirty || Object.keys(dirtyFields).length > 0) && differs(form.getValues(), defaultValues);
  useUnsaved(isTyped && !isSubmitting);
  const fresh = JSON.stringify(props.values);
  const followed = useRef(fresh);
  // Values sent but not returned yet: the form starts from them, as from the record itself.
  const sent = useRef<T | null>(null);
  // Values sent but not answered yet.
  const onItsWay = useRef<T | null>(null);
  const [changes, setChanges] = useState<Record<string, string>>({});
  // What the form starts from may change while it is open (somebody saves, a pot is mixed, a minute passes): it follows,
  // but for what is typed, which stays and is pointed out.
  useEffect(() => {
    const is = JSON.parse(fresh) as T;
    const changed = followed.current !== fresh;
    const was = sent.current ?? (JSON.parse(followed.current) as T);
    if (!isTyped) {
      if (changed || !sent.current) startAgain(form, is);
      setChanges({});
    } else if (changed) {
      const more = followOthers(
        form as never,
        was,
        is,
        workedOut ? sayWorkedOut : undefined,
        onItsWay.current,
      );
      // Sent values come back as saved: that isn’t somebody else’s change.
      if (!sent.current) setChanges((known) => ({ ...known, ...more }));
    }
    if (changed) sent.current = null;
    followed.current = fresh;
  }, [fresh, isTyped, workedOut, form]);
  // What checks the form is fetched while the server still answers: it may not when the form is sent.
  useEffect(() => {
    import('../../contract/index.ts').catch(() => {}); // asked for again when the form is sent
  }, []);
  const [general, setGeneral] = useState<string[]>([]);
  const [clash, setClash] = useState<Problem | null>(null);

  const place = (errors: FieldError[]) => {
    const elsewhere: string[] = [];
    for (const { path, message } of errors) {
      const known = path !== '' && document.querySelector(`[name="${CSS.escape(path)}"]`);
      if (known) {
        openAround(known);
        form.setError(path as Path<T>, { message });
      } else elsewhere.push(message);
    }
    setGeneral(elsewhere);
    const first = errors.find((e) => document.querySelector(`[name="${CSS.escape(e.path)}"]`));
    if (first) form.setFocus(first.path as Path<T>);
  };

  /** @param back whether they have come back already, as they were saved */
  const goOnFrom = (values: T, back: boolean) => {
    sent.current = back ? null : values;
    setChanges({});
    const typedMeanwhile = startFrom(form, back ? (JSON.parse(followed.current) as T) : values, values);
    if (!typedMeanwhile) props.onSaved?.();
  };

  const { mutateAsync } = useMutation<
    FieldError[] | 'not sent' | undefined,
    Error,
    { values: T; over: { version?: number } }
  >({
    mutationFn: ({ values, over }) => props.submit(values, over),
    meta: { atForm: true },
  });
  const send = (over: { version?: number } = {}) =>
    form.handleSubmit(async (values) => {
      setGeneral([]);
      setClash(null);
      const before = followed.current;
      onItsWay.current = structuredClone(values) as T;
      try {
        const errors = await mutateAsync({ values: values as T, over });
        if (errors === 'not sent') return;
        if (errors?.length) place(errors);
        else goOnFrom(values as T, followed.current !== before);
      } catch (error) {
        if (error instanceof ApiProblem && error.problem.status === 409) setClash(error.problem);
        else if (error instanceof ApiProblem && error.problem.errors) place(error.problem.errors);
        else setGeneral([(error as Error).message]);
      } finally {
        onItsWay.current = null;
      }
    })();
  const client = useQueryClient();
  const takeTheirs = () => {
    setClash(null);
    setChanges({});
    // No longer typed in, it follows what comes.
    startAgain(form, JSON.parse(fresh) as T);
    void client.invalidateQueries();
  };
  // Shown at its field where there is one on the page.
  const changedElsewhere = Object.keys(changes).filter(
    (path) => !document.querySelector(`[name="${CSS.escape(path)}"]`),
  );

  const current = clash?.current as (Record<string, unknown> & { version?: number }) | undefined;
  const theirs = current ? changesBetween(props.base ?? {}, current) : [];
  return (
    <FormProvider {...form}>
      <form
        noValidate
        className={props.className ?? 'space-y-4'}
        onSubmit={(event) => {
          event.preventDefault();
          void send();
        }}
      >
        <ChangesElsewhere value={changes}>{props.children}</ChangesElsewhere>
        {changedElsewhere.length > 0 && (
          <p
            role="status"
            className="border-line border-l-4 pl-3"
          >{t`Changed elsewhere while you were editing: ${changedElsewhere.map((path) => props.fieldWords?.[path] ?? path).join(', ')}. Your edits are still here. Saving overwrites the other changes.`}</p>
        )}
        {/* Once something is typed the way to save it stays in sight, however long the form. */}
        <div className={`space-y-2 ${props.large ? 'save-bar save-bar-narrow' : isTyped ? 'save-bar' : ''}`}>
          {general.length > 0 && (
            <div role="alert" className="border-error text-error border-l-4 py-1 pl-3 font-semibold">
              {general.map((message) => (
                <p key={message}>{message}</p>
              ))}
            </div>
          )}
          {clash && (
            <div role="alert" className="border-line space-y-2 border-2 p-3">
              <p className="font-semibold">{t`Conflict: someone else saved this after you opened it.`}</p>
              <ul className="list-disc pl-5">
                {theirs.map(({ field, was, is }) => (
                  <li key={field}>
                    {props.fieldWords?.[field] ?? field}
                    {typeof is !== 'object' && t` is now “${String(is)}”, was “${String(was)}”`}
                    {typeof is === 'object' && ' changed'}
                  </li>
                ))}
              </ul>
              <div className="flex flex-wrap gap-2">
                <button type="button" className="btn" onClick={takeTheirs}>{t`Use their version`}</button>
                {current?.version !== undefined && (
                  <button
                    type="button"
                    className="btn"
                    onClick={() => void send({ version: current.version as number })}
                  >{t`Overwrite with mine`}</button>
                )}
              </div>
            </div>
          )}
          <div className="flex flex-wrap items-center gap-2">
            <button
              type="submit"
              className={`btn btn-primary ${props.large ? 'btn-xl target w-full' : ''}`}
              disabled={isSubmitting}
            >
              {isSubmitting ? t`Saving…` : props.button}
            </button>
            {props.beside}
          </div>
        </div>
      </form>
    </FormProvider>
  );
}

/** Shows refused fields by opening the sections they are in. */
function openAround(field: Element): void {
  for (let fold = field.closest('details'); fold; fold = fold.parentElement?.closest('details') ?? null)
    fold.open = true;
}

/** The fields of a record that someone else changed, with what they were and are. */
function changesBetween(base: object, current: Record<string, unknown>) {
  return Object.entries(current).flatMap(([field, is]) => {
    const was = (base as Record<string, unknown>)[field];
    const same = field === 'version' || JSON.stringify(was) === JSON.stringify(is);
    return same ? [] : [{ field, was, is }];
  });
}
