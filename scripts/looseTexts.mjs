import { readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { root } from './ensure.mjs';

/** Attributes and fields with a text that is shown or read aloud. */
const SHOWN =
  /^(aria-label|label|title|placeholder|hint|word|text|meaning|advice|detail|message|what|why|note|heading|question|action|back|description|alt|legend)$/;
/** Attributes, fields and variables with code. */
const CODE =
  /^(class(Name)?|.*Class|.*CLASS.*|style|d|to|id|href|key|font|font-family|summary|code|operationId|description|path|transform|accept)$/;
/** Calls whose texts nobody reads on a screen. */
const CODE_CALL =
  /^(console\.|log|URL$|Set$|Worker$)|Error$|\.(includes|startsWith|endsWith|split|join|replace|replaceAll|test|match|matchMedia|querySelector(All)?|closest|getItem|setItem|setAttribute|createElementNS|addEventListener|toFormat|fromFormat|info|warn|error|write|route|evaluate)$|^(fetch|import|write|counted|csvFile|setShifted)$/;
/** Two words or more. */
const SENTENCE = /[A-Za-z’]{2,}[ ,:][A-Za-z’ ]*[a-z]/;
const LOOKS_LIKE_CODE =
  /^(\.|#|\[|--|data-)|[;{}=<>_]|\b(flex|grid|btn|text-|gap-|border|py-|px-|ml-|mt-|w-|h-)|^[a-z-]+(\.[a-z-]+)+$|^[a-z]+ [a-z]+-[a-z-]+|sans-serif|jack-plane/;

const textOf = (node) =>
  ts.isTemplateExpression(node)
    ? node.head.text + node.templateSpans.map(({ literal }) => ` ${literal.text}`).join('')
    : node.text;

function isCode(node) {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent) || ts.isCaseClause(parent))
    return true;
  if (ts.isTaggedTemplateExpression(parent) || ts.isElementAccessExpression(parent)) return true;
  if (ts.isBinaryExpression(parent) && /^[!=]==$/.test(parent.operatorToken.getText())) return true;
  if (ts.isPropertyAssignment(parent) && parent.name === node) return true;
  for (let at = parent; at && !ts.isFunctionLike(at); at = at.parent) {
    if (ts.isTypeNode(at)) return true;
    if (
      (ts.isJsxAttribute(at) || ts.isPropertyAssignment(at) || ts.isVariableDeclaration(at)) &&
      CODE.test(at.name.getText().replaceAll("'", ''))
    )
      return true;
    if ((ts.isCallExpression(at) || ts.isNewExpression(at)) && CODE_CALL.test(at.expression.getText()))
      return true;
  }
  return false;
}

function isShown({ parent }) {
  const at = ts.isJsxExpression(parent) ? parent.parent : parent;
  return (ts.isJsxAttribute(at) || ts.isPropertyAssignment(at)) && SHOWN.test(at.name.getText());
}

/** Texts of a file that look like words for a reader and aren’t marked for the catalogue, each with its line. */
export function looseTexts(file) {
  const source = ts.createSourceFile(
    file,
    readFileSync(path.join(root, file), 'utf8'),
    ts.ScriptTarget.Latest,
    true,
  );
  const found = [];
  const note = (node, text) =>
    found.push(
      `${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}\t${text.replace(/\s+/g, ' ').trim()}`,
    );
  const visit = (node) => {
    if (ts.isJsxText(node)) {
      if (/[A-Za-z]{2}/.test(node.text)) note(node, node.text);
    } else if ((ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)) && !isCode(node)) {
      const text = textOf(node);
      if (!LOOKS_LIKE_CODE.test(text) && (SENTENCE.test(text) || (isShown(node) && /^[A-Z][a-z]/.test(text))))
        note(node, text);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
