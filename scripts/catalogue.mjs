import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { transformSync } from '@babel/core';
import { po } from 'gettext-parser';
import { root } from './ensure.mjs';

/** The catalogue of British English: what stands in the source is the text, so its messages have no translation. */
export const CATALOGUE = path.join(root, 'words/en-GB.po');

/** Source files whose texts a user can read, as paths from the root. */
export const sources = () =>
  readdirSync(path.join(root, 'src'), { recursive: true, encoding: 'utf8' })
    .map((file) => path.posix.join('src', file))
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|\.d\.ts$/.test(file))
    .sort();

/** Every message in the source, as the text of a catalogue: sorted, each with the files it is used in. */
export function extracted() {
  const folder = mkdtempSync(path.join(tmpdir(), 'words-'));
  const entries = {};
  try {
    // A plugin writes all that it has found so far after each file: a new one now and then keeps that short.
    for (const [i, file] of sources().entries())
      extractFrom(file, plugin(path.join(folder, `${i - (i % FILES_A_PLUGIN)}.pot`)));
    for (const name of readdirSync(folder)) add(entries, readFileSync(path.join(folder, name)));
  } finally {
    rmSync(folder, { recursive: true });
  }
  const sorted = Object.fromEntries(Object.entries(entries).sort(([a], [b]) => (a < b ? -1 : 1)));
  const headers = {
    'content-type': 'text/plain; charset=utf-8',
    language: 'en-GB',
    'plural-forms': 'nplurals=2; plural=(n!=1);',
  };
  return `${po.compile({ charset: 'utf-8', headers, translations: { '': sorted } }, { foldLength: 0 })}`;
}

const FILES_A_PLUGIN = 15;
const plugins = new Map();
const plugin = (output) => {
  const made = plugins.get(output) ?? [
    'ttag',
    {
      extract: { output, location: 'file' },
      numberedExpressions: true,
      discover: ['t'],
      dedent: false,
    },
    output,
  ];
  plugins.set(output, made);
  return made;
};

function extractFrom(file, ttag) {
  const code = readFileSync(path.join(root, file), 'utf8');
  if (!/from '[./]+\/words\.ts'/.test(code)) return;
  transformSync(code, {
    filename: path.join(root, file),
    cwd: root,
    code: false,
    babelrc: false,
    configFile: false,
    parserOpts: { plugins: ['typescript', ...(file.endsWith('x') ? ['jsx'] : [])] },
    plugins: [ttag],
  });
}

function add(entries, pot) {
  for (const [id, { msgid_plural, msgstr, comments }] of Object.entries(
    po.parse(pot).translations[''] ?? {},
  )) {
    if (id === '') continue;
    const before = entries[id]?.comments.reference.split('\n') ?? [];
    const reference = [...new Set([...before, ...(comments?.reference ?? '').split('\n')])].sort().join('\n');
    entries[id] = {
      msgid: id,
      ...(msgid_plural && { msgid_plural }),
      msgstr: msgstr.map(() => ''),
      comments: { reference },
    };
  }
}

/** The messages of a catalogue, each with the files it is used in. */
export const messagesOf = (text) =>
  Object.values(po.parse(text).translations[''] ?? {}).flatMap(({ msgid, comments }) =>
    msgid === '' ? [] : [{ text: msgid, files: (comments?.reference ?? '').split('\n') }],
  );
