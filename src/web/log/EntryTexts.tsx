import type { BatchBody, LogView, ProgressBody, SessionBody } from '../../contract/index.ts';
import { figure } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { andList } from '../words/counted.ts';

/** Entries of the record in words. */

/** A pot mixed: its parts, their lots, and what went in beside them. */
export function BatchText({ body, name }: { body: BatchBody; name: string }) {
  const { show } = useUnits();
  const { litres, litresEstimated, pours, ratioError, lots = [], additives = [] } = body;
  return (
    <>
      {t`Mixed `}
      {litresEstimated && 'about '}
      {t`${show(litres, 'volume')} of ${name}: ${pours.map((p) => `${p.name} ${figure(p.amount)} ${p.unit}`).join(', ')}`}
      {Math.abs(ratioError) > 0.0005 && t` (${(ratioError * 100).toFixed(1)} % off ratio)`}
      {lots.map(({ part, code }) => (code === '' ? '' : t`, ${part} lot ${code}`))}
      {additives.map(({ name: additive, ml }) => `, ${additive} ${figure(ml)} ml`)}
      {litresEstimated && t`; litres estimated from weight (no density on the data sheet)`}
    </>
  );
}

/** Progress of a coat: a section, a comb reading, the paint used. */
export function ProgressText({ body: { coatNo, section, comb, usedL, cutIn } }: { body: ProgressBody }) {
  const { show } = useUnits();
  const noted = [
    section && t`section ${section.no + 1} of ${section.of} covered`,
    comb && t`wet film between ${show(comb.wetMicrons, 'film')} and ${show(comb.dryMicrons, 'film')}`,
    usedL !== null && t`${show(usedL, 'volume')} used so far`,
    cutIn !== undefined && (cutIn ? t`cut in beside lines` : t`not cut in beside lines`),
  ];
  return <>{t`Coat ${coatNo + 1}: ${noted.filter(Boolean).join(', ')}`}</>;
}

/** Who applies a coat, where, and on which device. */
export function SessionText({ body, view }: { body: SessionBody; view: LogView }) {
  const { coatNo, areaIds, people, device, ended } = body;
  if (ended) return <>{t`Coat ${coatNo + 1}: session ended without a coat`}</>;
  const names = view.areas.flatMap(({ id, name }) => (areaIds.includes(id) ? [name] : []));
  return (
    <>
      {t`Coat ${coatNo + 1} in hand`}
      {people.length > 0 && `: ${andList(people)}`}
      {t`, on a ${device.kind}`}
      {names.length > 0 && t`, in one go with ${andList(names)}`}
    </>
  );
}
