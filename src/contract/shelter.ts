import Joi from 'joi';
import type { Surroundings } from '../core/air/index.ts';
import { t } from '../words.ts';
import { type EarlierShelter, MOST_EARLIER_SHELTERS } from './formats/shelters.ts';
import { between, instant, objectOf, oneOf } from './joi.ts';

export const surroundings = Joi.object<Surroundings>({
  kind: oneOf<Surroundings['kind']>({ open: true, shaded: true, tent: true, shed: true, heated: true })
    .label(t`Shelter`)
    .required(),
  setPointC: between(t`Set temperature (°C)`, -5, 45).when('kind', {
    is: 'heated',
    // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
    then: Joi.required(),
    otherwise: Joi.forbidden(),
  }),
});

export const earlierShelters = Joi.array()
  .items(
    objectOf<EarlierShelter>({
      surroundings: surroundings.label(t`Earlier shelter`).required(),
      until: instant().label(t`End of an earlier shelter`).required(),
    }),
  )
  .max(MOST_EARLIER_SHELTERS)
  .label(t`Earlier shelters`);

/** All of a boat’s areas stand in another shelter from a time on that is not ahead. */
export interface ShelterMove {
  at: string;
  surroundings: Surroundings;
}
export const shelterMove = objectOf<ShelterMove>({
  at: instant().label(t`Time of the move`).required(),
  surroundings: surroundings.label(t`Shelter`).required(),
});
