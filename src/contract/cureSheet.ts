import Joi from 'joi';
import type { CureSheet, CurvePoint, FilmEvent, OvercoatRule } from '../core/cure/index.ts';
import { t } from '../words.ts';
import { families } from './families.ts';
import { between, objectOf } from './joi.ts';

const TEN_YEARS_MIN = 5_256_000;

/** A table of times over temperature: shorter when hotter, as everything that cures is. */
export const points = (label: string, least = 1) =>
  Joi.array()
    .items(
      objectOf<CurvePoint>({
        tempC: between(t`${label}: temperature (°C)`, -40, 80).required(),
        minutes: between(t`${label}: time (min)`, 0.1, TEN_YEARS_MIN).required(),
      }),
    )
    .min(least)
    .max(5)
    .unique('tempC')
    .custom((value: CurvePoint[], helpers) => {
      const sorted = [...value].sort((a, b) => a.tempC - b.tempC);
      const wrong = sorted.find((point, i) => i > 0 && point.minutes > (sorted[i - 1] as CurvePoint).minutes);
      return wrong ? helpers.error('curve.slower', { tempC: wrong.tempC, minutes: wrong.minutes }) : value;
    })
    .messages({
      'curve.slower': t`{#label}: {#minutes} min at {#tempC} °C is longer than at a lower temperature. Times must get shorter as temperature rises`,
      'array.min': t`{#label}: enter at least one time`,
    })
    .label(label);

const overcoat = objectOf<OvercoatRule>({
  by: Joi.string()
    .valid('self', 'any', ...Object.keys(families))
    .label(t`Next coat`)
    .required(),
  min: points(t`overcoat minimum`).required(),
  chemicalMax: points(t`latest without sanding`).allow(null).required(),
  thumb: Joi.object({
    opens: points(t`thumbprint: apply from`).required(),
    closes: points(t`thumbprint window closes`).required(),
  })
    .allow(null)
    .optional(),
  keyGrit: between(t`Grit if window missed`, 24, 2000).integer().allow(null).required(),
});

const eventTable = (label: string) => points(label).optional();

/** When a film may be overcoated, sanded, walked on, wetted. */
export const cureSheet = objectOf<CureSheet>({
  stopC: between(t`No cure below (°C)`, -20, 40).allow(null).required(),
  events: objectOf<Record<FilmEvent, CurvePoint[]>>({
    'dew-safe': eventTable('dew-safe'),
    'tack-free': eventTable('tack-free'),
    sandable: eventTable('sandable'),
    walk: eventTable(t`walk on`),
    immersion: eventTable(t`earliest immersion`),
    'latest-immersion': eventTable(t`latest immersion`),
    'full-cure': eventTable(t`full cure`),
  }).required(),
  overcoat: Joi.array().items(overcoat).max(30).unique('by').label(t`overcoat windows`).required(),
})
  .custom((sheet: CureSheet, helpers) => {
    const { stopC } = sheet;
    if (stopC === null) return sheet;
    const cold = tablesOf(sheet).find(([, table]) => table.every(({ tempC }) => tempC < stopC));
    return cold ? helpers.error('curve.stopped', { table: cold[0], stopC }) : sheet;
  })
  .messages({
    'curve.stopped': t`{#table}: every temperature is below the stop temperature of {#stopC} °C, at which the film does not cure`,
  });

/** Every table of a sheet with its name. */
const tablesOf = ({ events, overcoat: rules }: CureSheet): [string, readonly CurvePoint[]][] => [
  ...Object.entries(events).map(([name, table]): [string, readonly CurvePoint[]] => [name, table ?? []]),
  ...rules.flatMap(({ min, chemicalMax, thumb }): [string, readonly CurvePoint[]][] => [
    [t`overcoat minimum`, min],
    ...(chemicalMax ? ([[t`latest without sanding`, chemicalMax]] as [string, readonly CurvePoint[]][]) : []),
    ...(thumb
      ? ([
          [t`thumbprint: apply from`, thumb.opens],
          [t`thumbprint window closes`, thumb.closes],
        ] as [string, readonly CurvePoint[]][])
      : []),
  ]),
];
