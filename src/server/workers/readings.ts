import { type PostedReadings, postedReadings, strict } from '../../contract/index.ts';
import { JobRefused } from './jobRefused.ts';

/** More values than a sound answer has, each of its 2000 readings with seven: it is not looked at one by one. */
const MOST_VALUES = 20_000;

/** How many values a JSON text holds at the most, by its separators: counted before anything is made of it. */
function separatorsIn(text: string): number {
  let count = 0;
  for (let i = 0; i < text.length && count <= MOST_VALUES; i++) {
    const sign = text.charCodeAt(i);
    if (sign === 44 || sign === 58) count++;
  }
  return count;
}

/** Reads what an address answered. @throws {JobRefused} where it is no list of readings */
export function readReadings(text: string): PostedReadings {
  if (separatorsIn(text) > MOST_VALUES)
    throw new JobRefused('readings', 'its answer holds more than 2000 readings could');
  let answer: unknown;
  try {
    answer = JSON.parse(text);
  } catch {
    throw new JobRefused('readings', 'the answer isn’t valid JSON');
  }
  const { error, value } = postedReadings.validate(answer, { ...strict, abortEarly: true });
  if (error) throw new JobRefused('readings', error.message.slice(0, 250));
  return value as PostedReadings;
}
