import { addLocale, type LocaleData, msgid, ngettext, setDedent, useLocale as setLanguage, t } from 'ttag';

/**
 * The marks of every text that a user reads (docs/words.md). A mark is read when its module is loaded, so the language has to be set
 * before: here, where the marks come from.
 */
export { msgid, ngettext, t };

/** The language that a page was given before its scripts ran: a catalogue as JSON. Without one the texts of the source stand. */
interface GivenLanguage {
  code: string;
  catalogue: LocaleData;
}

// Line breaks in a text are the text’s own.
setDedent(false);

const { jackPlaneLanguage: given } = globalThis as { jackPlaneLanguage?: GivenLanguage };
if (given) {
  addLocale(given.code, given.catalogue);
  setLanguage(given.code);
}
