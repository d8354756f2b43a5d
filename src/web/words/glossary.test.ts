import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { GLOSSARY, termId } from './glossary.ts';

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
});
