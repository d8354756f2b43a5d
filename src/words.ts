import { addLocale, type LocaleData, setDedent, useLocale as setLanguage, t } from 'ttag';

/**
 * The marks of every text that a user reads (docs/words.md). A mark is read when its module is loaded, so the language has to be set
 * before: here, where the marks come from.
 */
export { t };

/** The language that a page was given before its scripts ran: a catalogue as JSON. Without one the texts of the source stand. */
interface GivenLanguage {
  code: string;
  catalogue: LocaleData;
}

// Line breaks in a text are the text’s own.
setDedent(false);

const { jackPlaneLanguage: given } = globalThis as { jackPlaneLanguage?: GivenLanguage };
/** The language of the texts, as a BCP 47 tag. */
export const language = given?.code ?? 'en-GB';

if (given) {
  addLocale(given.code, given.catalogue);
  setLanguage(given.code);
}
