// Writes the licences of all packages in the built server and page into one file, which About links to.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../steps.mjs';
import { packagesBeside } from './packages.mjs';

const bundled = ['web', 'server'].flatMap((app) =>
  JSON.parse(readFileSync(join(root, 'apps', app, 'dist/packages.json'), 'utf8')),
);
const all = [...new Set([...bundled, ...packagesBeside()])].sort();
writeFileSync(
  join(root, 'apps/web/dist/licences.txt'),
  [readFileSync(join(root, 'LICENSE'), 'utf8'), ...all.map(licenceOf)].join(`\n${'─'.repeat(80)}\n\n`),
);

/** Returns name, version, licence and licence texts of the package in a folder. */
function licenceOf(path) {
  const folder = join(root, path);
  const { name, version, license, licenses } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
  // Older packages have a list.
  const words = license ?? licenses?.map(({ type }) => type).join(', ');
  if (typeof words !== 'string') throw new Error(`${path} does not say under which licence it is.`);
  const texts = readdirSync(folder)
    .filter((file) => /^(licen[cs]e|notice|copying)/i.test(file))
    .map((file) => readFileSync(join(folder, file), 'utf8').trim());
  return `${[`${name} ${version}: ${words}`, ...texts].join('\n\n')}\n`;
}
