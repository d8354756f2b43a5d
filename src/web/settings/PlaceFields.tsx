import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { t } from '../../words.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { type Coordinates, readCoordinates } from './coordinates.ts';

/** Why a device gives no location, by the code of its error. */
const NO_LOCATION: Record<number, string> = {
  1: t`This browser may not use the location. Allow it for this page, or enter the coordinates.`,
  2: t`This device doesn’t know its location. Enter the coordinates.`,
  3: t`The location took too long. Try again, or enter the coordinates.`,
};
/** How long a device may take to find its place, ms. */
const LOCATION_MS = 15_000;

/** Time zones by name, the yard’s own among them even where this browser doesn’t list it. */
function zoneChoices(own: string): [string, string][] {
  const zones = new Set(['UTC', ...Intl.supportedValuesOf('timeZone'), own].filter(Boolean));
  return [...zones].sort().map((zone) => [zone, zone.replaceAll('_', ' ')]);
}

/** The time zone and the place of a yard: typed, pasted from a map, or as this device has them. */
export function PlaceFields({ zone }: { zone: string }) {
  const { setValue } = useFormContext();
  const [problem, setProblem] = useState<string | null>(null);
  const [isLooking, setLooking] = useState(false);
  const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const put = (name: string, value: string) =>
    setValue(name, value, { shouldDirty: true, shouldTouch: true, shouldValidate: true });
  const place = ({ latitude, longitude }: Coordinates) => {
    put('latitude', String(latitude));
    put('longitude', String(longitude));
  };
  const locate = () => {
    if (!navigator.geolocation) return setProblem(NO_LOCATION[2] ?? null);
    setLooking(true);
    setProblem(null);
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setLooking(false);
        place({
          latitude: Math.round(coords.latitude * 10_000) / 10_000,
          longitude: Math.round(coords.longitude * 10_000) / 10_000,
        });
      },
      ({ code }) => {
        setLooking(false);
        setProblem(NO_LOCATION[code] ?? NO_LOCATION[2] ?? null);
      },
      { timeout: LOCATION_MS, maximumAge: 60_000 },
    );
  };
  return (
    <>
      <div className="space-y-2">
        <SelectField
          name="zone"
          label={t`Time zone`}
          choices={zoneChoices(zone)}
          hint={t`All times are shown in this zone.`}
        />
        {own && (
          <button
            type="button"
            className="btn btn-sm target"
            onClick={() => put('zone', own)}
          >{t`Use ${own.replaceAll('_', ' ')} (this device)`}</button>
        )}
      </div>
      <Field
        name="latitude"
        label={t`Latitude`}
        unit="°"
        inputMode="text"
        hint={t`North is positive. A pair of coordinates from a map can be pasted here.`}
        options={{
          // Read once the field is left: half of a typed pair looks like a pair.
          onBlur: (event: { target: { value: string } }) => {
            const pair = readCoordinates(event.target.value);
            if (pair) place(pair);
          },
        }}
      />
      <div className="space-y-2">
        <Field name="longitude" label={t`Longitude`} unit="°" inputMode="text" hint={t`East is positive.`} />
        <button type="button" className="btn btn-sm target" disabled={isLooking} onClick={locate}>
          {isLooking ? t`Finding the location…` : t`Use the location of this device`}
        </button>
        {problem && (
          <p role="alert" className="text-error text-sm font-semibold">
            {problem}
          </p>
        )}
      </div>
      <p className="text-sm opacity-80 sm:col-span-2">{t`The place is used to work out sunrise, sunset and the warmth of the sun on a surface.`}</p>
    </>
  );
}
