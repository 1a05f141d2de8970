// npm run words: looks for phrases that the style guide has better ones for, in comments, texts, names and pages.
import { execSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { root } from './steps.mjs';
import { phrases } from './words-list.mjs';

const listed = (pattern) =>
  execSync(`git ls-files --cached --others --exclude-standard ${pattern}`, { cwd: root, encoding: 'utf8' })
    .split('\n')
    .filter((file) => file !== '' && !/generated|words-list/.test(file));
const found = [];

for (const file of listed("'*.ts' '*.tsx' '*.mjs'")) lookIntoSource(file);
for (const file of listed("'*.md'"))
  readFileSync(join(root, file), 'utf8')
    .split('\n')
    .forEach((line, index) => look('page', line, `${file}:${index + 1}`));
for (const { where, phrase, say } of found) console.error(`${where}: “${phrase}”; write: ${say}`);
console.log(found.length === 0 ? 'No phrase of the list was found.' : `${found.length} phrases to rewrite.`);
process.exit(found.length === 0 ? 0 : 1);

function look(kind, text, where) {
  for (const { find, say, in: kinds } of phrases) {
    const match = kinds.includes(kind) ? find.exec(text) : null;
    if (match) found.push({ where, phrase: match[0], say });
  }
}

/** Looks through the syntax tree of one file: names, string literals, JSX text, and the comments between them. */
function lookIntoSource(file) {
  const text = readFileSync(join(root, file), 'utf8');
  const kind = file.endsWith('.tsx') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, kind);
  const at = (position) => `${file}:${source.getLineAndCharacterOfPosition(position).line + 1}`;
  const isTest = /\.(test|spec)\.tsx?$|\/test\//.test(file);
  const seen = new Set();
  const visit = (node) => {
    for (const { pos, end } of ts.getLeadingCommentRanges(text, node.getFullStart()) ?? [])
      if (!seen.has(pos)) {
        seen.add(pos);
        look('comment', text.slice(pos, end).replace(/\s*\n\s*(?:\*|\/\/)?\s*/g, ' '), at(pos));
      }
    if (ts.isIdentifier(node)) look('name', node.text, at(node.getStart()));
    if (
      !isTest &&
      (ts.isStringLiteralLike(node) ||
        ts.isJsxText(node) ||
        ts.isTemplateHead(node) ||
        ts.isTemplateMiddleOrTemplateTail(node))
    )
      look('text', node.text.replace(/\s+/g, ' '), at(node.getStart()));
    for (const child of node.getChildren(source)) visit(child);
  };
  visit(source);
}
