import { expect, type Page } from '@playwright/test';

/** How much longer text of another language may be than English. */
const LONGER = 0.4;
const SIZES = [
  [390, 844],
  [1280, 800],
] as const;

/** Makes every text of a page longer, as a translation would. Drawings and charts keep theirs. */
async function lengthen(page: Page): Promise<void> {
  await page.evaluate((share) => {
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = texts.nextNode(); node; node = texts.nextNode()) {
      const text = node.nodeValue ?? '';
      const letters = text.replace(/[^A-Za-z’]/g, '').length;
      if (letters < 3 || node.parentElement?.closest('svg, canvas, script, style, option')) continue;
      let left = Math.ceil(letters * share);
      let added = '';
      // In words of six letters: a language has none without a break.
      for (; left > 0; left -= 6) added += ` ${'ë'.repeat(Math.min(6, left))}`;
      node.nodeValue = text.trimEnd() + added + (text.endsWith(' ') ? ' ' : '');
    }
  }, LONGER);
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
  await lengthen(page);
  for (const [width, height] of SIZES) {
    await page.setViewportSize({ width, height });
    expect(await misplaced(page), `${width} px`).toEqual([]);
  }
}
