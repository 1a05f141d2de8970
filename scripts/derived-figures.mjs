// npm run derived: lists arithmetic on quantities in the web application. A screen formats figures; core derives them.
//
// `-- --list` prints every place. What remains is in `allowed`, with the reason; a file that is not in it, or that has more
// places than it gives, fails the check, and so does an entry that is no longer needed.
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { root } from './steps.mjs';
import { allowed } from './derived-figures.allowed.mjs';

const folder = join(root, 'apps/web/src');

/** Names of quantities, as they end an identifier or a property. */
const quantity =
  /(voltage|current|resistance|indicated|truth|expected|uncertainty|error|emf|loading|corrected|ohms|volts|amps|deflection|tolerance|power|gap|measured|accuracy|resolution|burden|sensitivity)$/i;

const operators = new Set([
  ts.SyntaxKind.AsteriskToken,
  ts.SyntaxKind.SlashToken,
  ts.SyntaxKind.MinusToken,
  ts.SyntaxKind.PlusToken,
  ts.SyntaxKind.PercentToken,
  ts.SyntaxKind.AsteriskAsteriskToken,
]);

/** Returns whether an operand is a quantity: a name that ends like one, or a sign or a magnitude of one. */
function isQuantity(node) {
  if (ts.isParenthesizedExpression(node) || ts.isNonNullExpression(node)) return isQuantity(node.expression);
  if (ts.isPrefixUnaryExpression(node)) return isQuantity(node.operand);
  if (ts.isPropertyAccessExpression(node)) return quantity.test(node.name.text);
  if (ts.isIdentifier(node)) return quantity.test(node.text);
  if (ts.isCallExpression(node))
    return /^Math\.abs$/.test(node.expression.getText()) && node.arguments.some(isQuantity);
  return ts.isBinaryExpression(node) && operators.has(node.operatorToken.kind)
    ? isQuantity(node.left) || isQuantity(node.right)
    : false;
}

function* filesIn(path) {
  for (const entry of readdirSync(path, { withFileTypes: true })) {
    const file = join(path, entry.name);
    if (entry.isDirectory() && entry.name !== 'drawing') yield* filesIn(file);
    else if (/\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name)) yield file;
  }
}

const found = new Map();
for (const file of filesIn(folder)) {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
  const places = [];
  const visit = (node) => {
    const isSum =
      ts.isBinaryExpression(node) &&
      operators.has(node.operatorToken.kind) &&
      ![node.left, node.right].some((side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side)) &&
      isQuantity(node);
    if (isSum) places.push(`${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}: ${node.getText()}`);
    else ts.forEachChild(node, visit);
  };
  visit(source);
  if (places.length > 0) found.set(relative(folder, file), places);
}

const isListed = process.argv.includes('--list');
const faults = [];
for (const [file, places] of found) {
  if (isListed) process.stdout.write(`${file}\n${places.map((place) => `  ${place}\n`).join('')}`);
  const most = allowed[file]?.places ?? 0;
  if (places.length > most)
    faults.push(`${file} derives figures in ${places.length} places, ${most} are allowed:\n  ${places.join('\n  ')}`);
}
for (const [file, { places }] of Object.entries(allowed))
  if ((found.get(file)?.length ?? 0) < places) faults.push(`${file}: fewer places than allowed. Lower the number.`);
if (faults.length > 0 && !isListed) {
  process.stderr.write(
    `${faults.join('\n')}\nMove the derivation into core, or give its reason in scripts/derived-figures.allowed.mjs.\n`,
  );
  process.exit(1);
}
