import Joi from 'joi';
import type { SessionDevice } from '../core/film/index.ts';
import { t } from '../words.ts';
import { between, id, line, objectOf, oneOf } from './joi.ts';
import type { ProgressBody, SessionBody } from './logBodies.ts';

/** Bodies of the entries that devices make while a coat is applied. */

/** As the core has them. */
const MOST_SECTIONS = 200;
const MOST_TOGETHER = 30;
const MOST_PEOPLE = 12;
/** An edge that stays wet for longer needs no clock, min. */
const MOST_WET_EDGE_MIN = 240;

export const progressBody = objectOf<ProgressBody>({
  stepId: id().label(t`step`).required(),
  coatNo: between(t`coat number`, 0, 30).integer().required(),
  section: Joi.object({
    of: between(t`Sections`, 1, MOST_SECTIONS).integer().required(),
    no: between(t`Section`, 0, MOST_SECTIONS - 1)
      .integer()
      .required(),
  })
    .allow(null)
    .required(),
  comb: Joi.object({
    wetMicrons: between(t`Last tooth wetted (µm)`, 1, 10_000).required(),
    dryMicrons: between(t`First dry tooth (µm)`, 1, 20_000).required(),
  })
    .allow(null)
    .required(),
  usedL: between(t`Paint used so far (l)`, 0, 2000).allow(null).required(),
  wetEdgeMin: between(t`Wet edge stays open (min)`, 1, MOST_WET_EDGE_MIN).allow(null),
  cutIn: Joi.boolean(),
})
  .custom((value: ProgressBody, helpers) => {
    const { section, comb, usedL, cutIn } = value;
    if (!section && !comb && usedL === null && cutIn === undefined) return helpers.error('progress.empty');
    if (section && section.no >= section.of) return helpers.error('progress.section', section);
    if (comb && comb.dryMicrons <= comb.wetMicrons) return helpers.error('progress.comb', comb);
    return value;
  })
  .messages({
    'progress.empty': t`a section, a reading, the paint used or cutting in must be given`,
    'progress.section': t`Section must be below the number of sections ({#of}), but is {#no}`,
    'progress.comb': t`First dry tooth must be above the last tooth wetted ({#wetMicrons} µm), but is {#dryMicrons} µm`,
  });

export const sessionBody = objectOf<SessionBody>({
  stepId: id().label(t`step`).required(),
  coatNo: between(t`coat number`, 0, 30).integer().required(),
  areaIds: Joi.array().items(id()).max(MOST_TOGETHER).unique().label(t`Areas in one go`).required(),
  people: Joi.array()
    .items(line('name', 1, 80))
    .max(MOST_PEOPLE)
    .unique()
    .label(t`People`)
    .required(),
  device: Joi.object<SessionDevice>({
    id: id().label(t`device`).required(),
    kind: oneOf<SessionDevice['kind']>({ phone: true, tablet: true, computer: true }).required(),
  }).required(),
  ended: Joi.valid(true).label(t`Ended without a coat`),
});
