import { useRef, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView, CoatLying, EntryInput, FieldError } from '../../contract/index.ts';
import { BARE_STEEL_HOURS } from '../../core/inspect/index.ts';
import type { RemovalWay } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { logEntry, strikeWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { fromLocalField, toLocalField } from '../clock/say.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { TimeField } from '../forms/TimeField.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { choices } from '../words/survey.ts';
import { SUBSTRATE_WORDS, WAY_OFF_WORDS } from '../words/systems.ts';

interface Values {
  /** `ground`, or which coat of those that lie there is the lowest to go. */
  from: string;
  way: RemovalWay;
  grit: string;
  at: string;
  reason: string;
}

/** Coats taken off again: which, how and why; what is next, what it takes and the windows follow. */
export function TakeOff({ view, zone }: { view: BenchView; zone: string }) {
  const [done, setDone] = useState<string | null>(null);
  const { mutate: log } = useQueued();
  const { area, lying } = view;
  if (done !== null) {
    return (
      <UndoNotice
        text={t`Logged as taken off. The plan, the paint needed and the windows now start from what is left.`}
        onUndo={() => {
          log(strikeWrite(area.id, done, t`logged by mistake`));
          setDone(null);
        }}
        onGone={() => setDone(null)}
      />
    );
  }
  // Nothing is on it.
  if (lying.length === 0 && area.oldCoating === null && area.substrate !== 'existing-paint') return null;
  return (
    <details className="border-base-300 border-y py-2">
      <summary className="target cursor-pointer py-2">{t`Coats sanded off or stripped`}</summary>
      <TakeOffForm key={lying.length} view={view} zone={zone} onLogged={setDone} />
    </details>
  );
}

function TakeOffForm({
  view,
  zone,
  onLogged,
}: {
  view: BenchView;
  zone: string;
  onLogged: (entryId: string) => void;
}) {
  const { area, lying } = view;
  const id = useRef(uuidv7());
  const now = Date.parse(view.now);
  const ground = SUBSTRATE_WORDS[area.substrate];
  const submit = async (values: Values): Promise<FieldError[] | undefined> => {
    const read = new FormReader('metric');
    const at = fromLocalField(values.at, zone);
    if (!at) read.refuse('at', t`Finished must be a date and time`);
    const toGround = values.from === 'ground';
    const sanded = values.way === 'sanded' && values.grit.trim() !== '';
    const entry: EntryInput = {
      id: id.current,
      areaId: area.id,
      at: at ?? '',
      corrects: null,
      kind: 'removal',
      body: {
        toGround,
        coats: toGround
          ? []
          : lying.slice(Number(values.from)).map(({ stepId, coatNo }) => ({ stepId, coatNo })),
        way: values.way,
        grit: sanded ? read.number('grit', 'grit', values.grit) : null,
        holdsHours:
          toGround && values.way === 'blasted' && area.substrate === 'steel' ? BARE_STEEL_HOURS : null,
        reason: values.reason.trim(),
      },
    };
    const errors = await refusals((c) => c.entryInput, entry, read, formPathOf);
    if (errors.length) return errors;
    await logEntry(entry);
    onLogged(id.current);
    return undefined;
  };
  const stays = lying.map((_, i) => [String(i), sayCoat(lying[i - 1], area)] as const).toReversed();
  return (
    <RecordForm<Values>
      className="space-y-3 pt-2"
      values={{
        from: lying.length > 0 ? String(lying.length - 1) : 'ground',
        way: 'sanded',
        grit: '',
        at: toLocalField(now, zone),
        reason: '',
      }}
      submit={submit}
      button={t`Log what was taken off`}
      workedOut
    >
      <SelectField
        name="from"
        label={t`Down to`}
        choices={[...stays, ['ground', t`bare ${ground}`] as const]}
        hint={<TakenOff lying={lying} />}
      />
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField name="way" label={t`How`} choices={choices(WAY_OFF_WORDS)} />
        <Grit />
        <TimeField name="at" label={t`Finished`} />
      </div>
      <Field
        name="reason"
        label={t`Why`}
        hint={t`It stays in the log: pebbled, blistered, applied on rust.`}
      />
      <p className="text-sm">
        {t`Only a part of it? `}
        <Link className="link" to={`/boats/${area.boatId}/survey/${area.id}`}>
          {t`Split the part off ${area.name}`}
        </Link>
        {t` first. Dust from old paint can be poisonous: wet-sand or extract, wear a P3 filter, and follow the safety sheet and local rules.`}
      </p>
    </RecordForm>
  );
}

/** The grit left behind, asked for where it was sanded. */
function Grit() {
  const way = useWatch<Values, 'way'>({ name: 'way' });
  if (way !== 'sanded') return null;
  return (
    <Field
      name="grit"
      label={t`Last grit`}
      inputMode="numeric"
      hint={t`Counts as the sanding before the next coat where it is the grit planned.`}
    />
  );
}

const sayName = ({ productName, coatNo, colour }: CoatLying) =>
  t`${productName}, coat ${coatNo + 1}${colour && ` (${colour})`}`;

/** What stays on the outside. */
const sayCoat = (coat: CoatLying | undefined, { oldCoating }: BenchView['area']): string => {
  if (coat) return sayName(coat);
  return oldCoating ? t`the old paint` : t`the surface below these coats`;
};

/** Names the coats that go. */
function TakenOff({ lying }: { lying: readonly CoatLying[] }) {
  const from = useWatch<Values, 'from'>({ name: 'from' });
  const gone = from === 'ground' ? lying : lying.slice(Number(from));
  const names = gone.map(sayName);
  const old = from === 'ground' ? [t`all old paint`] : [];
  return <>{t`Off: ${[...names, ...old].join('; ')}.`}</>;
}

/** Where the contract's paths stand in this form. */
const formPathOf = (path: string) => (path.startsWith('body.coats') ? 'from' : path.replace(/^body\./, ''));
