import Joi from 'joi';
import { between, objectOf, title } from './joi.ts';

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
  name: title('yard name').required(),
  zone: Joi.string().max(64).label('time zone').required(),
  latitude: between('latitude (°)', -66, 66).required(),
  longitude: between('longitude (°)', -180, 180).required(),
  version: Joi.number().integer().min(1).required(),
});
