import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { CATALOGUE, extracted, messagesOf, sources } from './catalogue.mjs';
import { looseTexts } from './looseTexts.mjs';

// npm run words: the catalogue as a table of text and the files it is used in, to be read through.
// npm run words -- bench: only what is used in files with that in their path.
// npm run words -- --write: the catalogue is updated from the source.
// npm run words -- --check: fails where a text stands outside the catalogue, or the catalogue differs from the source.
const [asked = ''] = process.argv.slice(2);

/** What a user reads. File formats, the descriptions of the API, and what the server prints keep their English. */
const READ = /^src\/(web|contract|server\/(documents|endpoints|http|views|access|memory|feeds))\//;
const NOT_READ = /Csv\.ts$|openApi\.ts$|logger\.ts$/;
/** Texts that look like words and aren’t: each with where it stands. */
const NO_WORDS = [
  /endpoints\/survey\.ts:\d+\t(Add|Change|Delete|Restore|Update|Remove|Bring) /, // the API’s descriptions
  /endpoints\/weather\.ts:\d+\t(wind|rain|cloud) /, // columns of a file
  /yardSnapshots\.ts:\d+\t(repeatable read|read only)$/,
  /\turn:uuid|jackplane:lot|Archivo Variable$|\tnot sent$/,
  /WeatherFile\.tsx:\d+\ttime,air/,
];

if (asked === '--write') {
  mkdirSync(path.dirname(CATALOGUE), { recursive: true });
  writeFileSync(CATALOGUE, extracted());
} else if (asked === '--check') {
  const loose = sources()
    .filter((file) => READ.test(file) && !NOT_READ.test(file))
    .flatMap(looseTexts)
    .filter((text) => !NO_WORDS.some((each) => each.test(text)));
  for (const text of loose) console.log(`not in the catalogue: ${text}`);
  const stale = !existsSync(CATALOGUE) || readFileSync(CATALOGUE, 'utf8') !== extracted();
  if (stale) console.log('words/en-GB.po differs from the source: npm run words -- --write');
  process.exit(loose.length > 0 || stale ? 1 : 0);
} else {
  const messages = messagesOf(extracted()).filter(({ files }) => files.some((file) => file.includes(asked)));
  for (const { text, files } of messages)
    console.log(`${text.replace(/\s+/g, ' ').trim()}\t${files.join(' ')}`);
  console.log(`${messages.length} texts`);
}
