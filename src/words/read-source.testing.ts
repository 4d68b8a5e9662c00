import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** What of a tag, or of one of our own elements, is read or heard where it is a text in the source. */
const READ =
  /^(label|title|placeholder|alt|aria-label|aria-description|aria-roledescription|aria-valuetext|over|aside|hint|empty|what|act)$/;

/** Source files below a folder, tests aside. */
export const sourcesOf = (folder: string): readonly string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return sourcesOf(path);
    return /\.tsx?$/.test(name) && !/\.(test|testing)\./.test(name) ? [path] : [];
  });

const parsed = (path: string): ts.SourceFile =>
  ts.createSourceFile(
    path,
    readFileSync(path, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );

/** The words between two tags, as JSX joins their lines. */
const wordsOf = (text: string): string =>
  text
    .split('\n')
    .map((line, i, all) => (i > 0 ? line.trimStart() : line).replace(i < all.length - 1 ? /\s+$/ : /$^/, ''))
    .filter(Boolean)
    .join(' ')
    .replace(/&nbsp;/g, '\u00a0')
    .replace(/&amp;/g, '&')
    .trim();

const isOf = (call: ts.Expression, name: string): boolean => ts.isIdentifier(call) && call.text === name;

/** A text that is written out, on one line or joined of several. */
const textOf = (n: ts.Expression): string | null =>
  ts.isStringLiteralLike(n)
    ? n.text
    : ts.isBinaryExpression(n) && n.operatorToken.kind === ts.SyntaxKind.PlusToken
      ? `${textOf(n.left)}${textOf(n.right)}`
      : null;
const rowsOf = (n: ts.Expression): readonly ts.PropertyAssignment[] =>
  ts.isObjectLiteralExpression(n) ? n.properties.filter(ts.isPropertyAssignment) : [];
/** Texts of a table, by the names of its columns. */
const valuesOf = (n: ts.Expression, named = /./): readonly string[] =>
  rowsOf(n).flatMap((p) => (named.test(p.name.getText()) ? (textOf(p.initializer) ?? []) : []));

/** What the steps of a list of tasks say. */
const toldIn = (list: ts.Expression): readonly string[] =>
  ts.isArrayLiteralExpression(list) ? list.elements.flatMap((row) => valuesOf(row, /^(title|detail|confirm)$/)) : [];

/**
 * What a file says for certain: words between tags, labels of tags, phrases by their patterns, and the texts of its
 * messages. What reaches the screen through a constant is found by drawing it.
 */
export function saidIn(path: string): readonly string[] {
  const out: string[] = [];
  const look = (n: ts.Node): void => {
    if (ts.isJsxText(n)) out.push(wordsOf(n.text));
    else if (ts.isJsxAttribute(n) && READ.test(n.name.getText()) && n.initializer && ts.isStringLiteral(n.initializer))
      out.push(n.initializer.text);
    else if (ts.isTaggedTemplateExpression(n) && isOf(n.tag, 'phrase')) {
      const { template: t } = n;
      const parts = ts.isTemplateExpression(t)
        ? [t.head.text, ...t.templateSpans.map((s) => s.literal.text)]
        : [t.text];
      out.push(
        parts
          .map((part, i) => (i === 0 ? part : `{${i - 1}}${part}`))
          .join('')
          .trim(),
      );
    } else if (ts.isCallExpression(n) && isOf(n.expression, 'texts') && n.arguments[1])
      out.push(...valuesOf(n.arguments[1]));
    else if (ts.isCallExpression(n) && isOf(n.expression, 'findings') && n.arguments[0])
      for (const row of rowsOf(n.arguments[0])) out.push(...valuesOf(row.initializer, /^(title|why|todo)$/));
    else if (ts.isCallExpression(n) && isOf(n.expression, 'tasks') && n.arguments[1])
      out.push(...toldIn(n.arguments[1]));
    else if (ts.isCallExpression(n) && isOf(n.expression, 'reworded') && n.arguments[2])
      for (const row of rowsOf(n.arguments[2])) out.push(...valuesOf(row.initializer));
    // A field of a form is told by what is said where it is missing.
    else if (ts.isObjectLiteralExpression(n) && rowsOf(n).some((p) => p.name.getText() === 'missing'))
      out.push(...valuesOf(n, /^(label|missing|placeholder)$/));
    ts.forEachChild(n, look);
  };
  look(parsed(path));
  return out.filter(hasWords);
}

/** Every text that stands in a file, whatever becomes of it. */
export function literalsIn(path: string): readonly string[] {
  const out: string[] = [...saidIn(path)];
  const look = (n: ts.Node): void => {
    if (ts.isStringLiteralLike(n)) out.push(n.text.trim());
    else if (ts.isPropertyName(n) && ts.isIdentifier(n)) out.push(n.text);
    ts.forEachChild(n, look);
  };
  look(parsed(path));
  return out;
}

/** Symbols of units, as they stand in any language. */
const UNITS = new Set('mm cm km mL dL MPa kPa kJ kN mol min kg lb ft fl oz gal US UK psi mph lbf'.split(' '));

/** Whether a text has a word that could be told otherwise in another language. */
export const hasWords = (text: string): boolean =>
  (text.replace(/\{\w+(?=[,}])/g, '').match(/\p{L}{2,}/gu) ?? []).some((word) => !UNITS.has(word));
