import { readFileSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';
import { po } from 'gettext-parser';

/** How much longer text of another language may be than English. */
const LONGER = 0.4;
const SIZES = [
  [390, 844],
  [1280, 800],
] as const;
/** A language that nobody speaks: every letter of a text of the catalogue has an accent, and the text is longer. */
const CODE = 'en-XA';
const PLAIN = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const ACCENTED = 'áƀćđéƒǵĥíĵķłḿńóṕɋŕśťúṽẃẋýźÁɃĆĐÉƑǴĤÍĴĶŁḾŃÓṔɊŔŚŤÚṼẂẊÝŹ';

/** A message in that language: its placeholders stay. */
function translated(message: string): string {
  const letters = message.replace(/\$?\{[^}]*\}/g, '').replace(/[^A-Za-z]/g, '').length;
  let added = '';
  // In words of six letters: a language has none without a break.
  for (let left = Math.ceil(letters * LONGER); left > 0 && letters > 2; left -= 6)
    added += ` ${'ë'.repeat(Math.min(6, left))}`;
  const accented = message.replace(/\$?\{[^}]*\}|[A-Za-z]/g, (part) =>
    part.length > 1 ? part : (ACCENTED[PLAIN.indexOf(part)] as string),
  );
  return accented.trimEnd() + added + accented.slice(accented.trimEnd().length);
}

/** Opens every page in that language from here on. */
export async function speakOtherLanguage(page: Page): Promise<void> {
  const { translations: english } = po.parse(readFileSync('words/en-GB.po'));
  const texts = Object.keys(english[''] ?? {}).filter((text) => text !== '');
  const translations = Object.fromEntries(
    texts.map((msgid) => [msgid, { msgid, msgstr: [translated(msgid)] }]),
  );
  const headers = { 'Plural-Forms': 'nplurals=2; plural=(n!=1);' };
  const given = { code: CODE, catalogue: { headers, translations: { '': translations } } };
  await page.addInitScript(`globalThis.jackPlaneLanguage = ${JSON.stringify(given)};`);
}

/** What sticks out of the page, or is cut off, by its text. */
const misplaced = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const name = (element: Element) =>
      `<${element.tagName.toLowerCase()}> ${(element.textContent ?? '').trim().slice(0, 60)}`;
    const scrolls = (element: Element | null): boolean => {
      for (let at = element; at && at !== document.body; at = at.parentElement)
        if (/auto|scroll|hidden|clip/.test(getComputedStyle(at).overflowX)) return true;
      return false;
    };
    const found: string[] = [];
    for (const element of document.body.querySelectorAll('*')) {
      if (element.closest('svg, canvas, .sr-only') || !element.checkVisibility()) continue;
      const box = element.getBoundingClientRect();
      if (box.width === 0 || box.height === 0) continue;
      if (box.right > window.innerWidth + 1 && !scrolls(element.parentElement))
        found.push(`sticks out: ${name(element)}`);
      const isControl = element.matches('button, a.btn, summary, .btn');
      if (isControl && element.scrollHeight > element.clientHeight + 2)
        found.push(`too high: ${name(element)}`);
      if (isControl && element.scrollWidth > element.clientWidth + 2)
        found.push(`too wide: ${name(element)}`);
    }
    return [...new Set(found)];
  });

/** Text two fifths longer than English still has its place at both sizes. */
export async function expectRoomForLongerText(page: Page): Promise<void> {
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    expect(await misplaced(page), `${width} px`).toEqual([]);
  }
}

/** Words without an accent that stand on the page, read or read aloud. */
export const plainTexts = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const texts: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (!node.parentElement?.closest('script, style, noscript, code')) texts.push(node.nodeValue ?? '');
    for (const element of document.body.querySelectorAll('[aria-label], [title], [placeholder], [alt]'))
      for (const at of ['aria-label', 'title', 'placeholder', 'alt'])
        texts.push(element.getAttribute(at) ?? '');
    return [
      ...new Set(
        texts.flatMap((text) => text.match(/(?<!\p{L})[A-Za-z’-]{4,}(?: [A-Za-z’-]+)*(?!\p{L})/gu) ?? []),
      ),
    ];
  });
