import { memoised } from '../../core/units/index.ts';
import type { Queries } from '../db/open.ts';
import { areasOfBoat } from '../rows/areas.ts';
import { waterlineOf } from '../rows/forms.ts';
import { surveyOf } from '../rows/survey.ts';
import type { BoatMemory } from './boatMemory.ts';

/**
 * What only a few screens ask of a boat, read when first asked for. Any change of it makes another {@link BoatMemory}, by which it is
 * remembered; so it is never older than the snapshot that it is shown with.
 */
const remembered = <Rows>(read: (db: Queries, boatId: string) => Promise<Rows>) => {
  const kept = memoised((known: BoatMemory, db: Queries) => read(db, known.boat.id));
  return (db: Queries, boatId: string, known: BoatMemory | undefined) =>
    known?.boat.id === boatId ? kept(known, db) : read(db, boatId);
};

/** Supports, masked items and findings of a boat. */
export const surveyRows = remembered(surveyOf);
/** All areas of a boat, archived ones too. */
export const areaRows = remembered(areasOfBoat);
export const waterlineRow = remembered(waterlineOf);
