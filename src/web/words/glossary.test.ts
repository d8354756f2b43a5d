import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { GLOSSARY, termId, termsIn } from './glossary.ts';

describe('the glossary', () => {
  const page = readFileSync('docs/glossary.md', 'utf8');
  it('says the same in the application and in the documents', () => {
    for (const { word, meaning, code } of GLOSSARY) {
      const row = page.split('\n').find((line) => line.startsWith(`| ${word} `));
      expect(row, word).toContain(meaning);
      if (code) expect(row).toContain(`\`${code}\``);
    }
  });
  it('is in the order of the alphabet, each word once, with an address of its own', () => {
    const words = GLOSSARY.map(({ word }) => word);
    expect(words).toEqual(words.toSorted((a, b) => a.localeCompare(b)));
    expect(new Set(words.map(termId)).size).toBe(words.length);
  });
  it('finds the words that stand on a page, and none that only look like them', () => {
    const found = termsIn('Pot life 3 h; two sags; the standing time runs; an affair of cups').map(
      ({ word }) => word,
    );
    expect(found).toEqual(expect.arrayContaining(['pot life', 'sag', 'standing time (induction)']));
    expect(found).not.toContain('fair');
  });
});
