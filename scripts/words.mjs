import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { root } from './ensure.mjs';

// npm run words: the texts that a user can read, as a table of place and wording, to be read through. It finds them in the source:
// single words outside the word lists can be missing.
// npm run words -- bench: only of files with that in their path.
const [only = ''] = process.argv.slice(2);
const files = execFileSync('git', ['ls-files', 'src'], { cwd: root, encoding: 'utf8' })
  .split('\n')
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|\.d\.ts$/.test(file) && file.includes(only));

/** Attributes and fields whose text is shown or read aloud. */
const SHOWN =
  /^(aria-label|label|title|placeholder|hint|word|words|text|meaning|name|summary|reason|condition|advice|detail|message|unit|what|why|note|heading|question|button)$/;
/** At least two words, or one that stands in an element or a field that is shown. */
const SENTENCE = /[A-Za-z’]{2,}[ ,:][A-Za-z’ ]*[a-z]/;
const CLASSES = /\b(flex|grid|text-|btn|gap-|space-|border|max-w|py-|px-|target)\b|^[a-z]+(-[a-z0-9]+)+$/;

/** A template with its expressions as {…}. */
const textOf = (node) =>
  ts.isTemplateExpression(node)
    ? node.head.text + node.templateSpans.map(({ literal }) => `{…}${literal.text}`).join('')
    : node.text;

const isCode = (node) =>
  ts.isImportDeclaration(node.parent) ||
  ts.isExportDeclaration(node.parent) ||
  ts.isLiteralTypeNode(node.parent) ||
  (ts.isTaggedTemplateExpression(node.parent) && node.parent.template === node) ||
  (ts.isJsxAttribute(node.parent) && /^(className|d|to|id|href|type|role)$/.test(node.parent.name.getText()));

const isShown = (node) => {
  const { parent } = node;
  if (ts.isJsxAttribute(parent)) return SHOWN.test(parent.name.getText());
  return ts.isPropertyAssignment(parent) && SHOWN.test(parent.name.getText().replaceAll("'", ''));
};

let count = 0;
for (const file of files) {
  const source = ts.createSourceFile(
    file,
    readFileSync(path.join(root, file), 'utf8'),
    ts.ScriptTarget.Latest,
    true,
  );
  const say = (node, text) => {
    const plain = text.replace(/\s+/g, ' ').trim();
    if (plain === '' || !/[A-Za-z]{2}/.test(plain)) return;
    count++;
    console.log(`${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}\t${plain}`);
  };
  const visit = (node) => {
    if (ts.isJsxText(node)) say(node, node.text);
    else if ((ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)) && !isCode(node)) {
      const text = textOf(node);
      const isWord = /\/words(\/|\.ts)/.test(file) && ts.isPropertyAssignment(node.parent);
      if (!CLASSES.test(text) && (SENTENCE.test(text) || isWord || (isShown(node) && /^[A-Z]/.test(text))))
        say(node, text);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
}
console.log(`${count} texts in ${files.length} files`);
