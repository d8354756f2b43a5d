import { t } from '../words.ts';
import { between, line, objectOf, title, version } from './joi.ts';

export interface YardInput {
  name: string;
  /** IANA time zone in which times are shown. */
  zone: string;
  latitude: number;
  longitude: number;
  version: number;
}

export interface Yard extends YardInput {
  id: string;
  /** Set when the data folder holds the demo. */
  demo: boolean;
}

export const yardInput = objectOf<YardInput>({
  name: title(t`yard name`).required(),
  zone: line(t`time zone`, 1, 64).required(),
  latitude: between('latitude (°)', -66, 66).required(),
  longitude: between('longitude (°)', -180, 180).required(),
  version: version(1),
});
