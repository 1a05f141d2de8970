import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const root = join(__dirname, '../../..');
const page = readFileSync(join(root, 'docs/headless.md'), 'utf8');

/** Every command of the page with the output below it. */
const examples = [...page.matchAll(/```sh\n(.+)\n```\n\n```(?:json|svg)\n([\s\S]+?)\n```/g)].map(
  ([, command, output]) => ({ command: command!, output: output! }),
);

test('the page has an example of every command', () => {
  const commands = new Set(examples.map(({ command }) => command.split(' ')[5]));
  expect([...commands].sort()).toEqual(
    'compare design diagnose draw fit mark plan practice reduce report solve worksheet'.split(' '),
  );
});

test.each(examples)('$command', ({ command, output }) => {
  const [program, ...args] = command.split(' ');
  const { stdout } = spawnSync(program!, args, { cwd: root, encoding: 'utf8' });
  // Lines are wrapped on the page; what is left out there may be anything.
  const pieces = output.split('…').map((piece) => piece.replace(/\n/g, ''));
  // Before a unit the program writes a space that does not break.
  const printed = stdout.trim().replaceAll('\u00a0', ' ');
  let rest = printed;
  for (const [index, piece] of pieces.entries()) {
    const at = rest.indexOf(piece);
    expect({ piece, at: index === 0 ? at : at >= 0 }).toEqual({ piece, at: index === 0 ? 0 : true });
    rest = rest.slice(at + piece.length);
  }
  if (pieces.at(-1) !== '') expect(printed.endsWith(pieces.at(-1)!)).toBe(true);
});

/** Every page of the documentation, by its path from the project's folder. */
const pages = [
  'README.md',
  ...readdirSync(join(root, 'docs'), { recursive: true, encoding: 'utf8' }).map((name) => `docs/${name}`),
]
  .filter((name) => name.endsWith('.md'))
  .map((name) => ({ name, text: readFileSync(join(root, name), 'utf8') }));
const linksOf = (text: string): string[] =>
  [...text.matchAll(/\]\(([^)#]+)(?:#[^)]*)?\)/g)].map(([, to]) => to!).filter((to) => !/^[a-z]+:/.test(to));

test.each(pages)('$name leads nowhere that is not there', ({ name, text }) => {
  const gone = linksOf(text).filter((to) => !existsSync(join(root, dirname(name), to)));
  expect(gone).toEqual([]);
});

test('every picture is shown or linked from the README, and every page of the guide from its index', () => {
  const linked = new Set(linksOf(pages[0]!.text));
  const pictures = readdirSync(join(root, 'docs/screenshots'));
  expect(pictures.length).toBeLessThan(20);
  expect(pictures.filter((name) => !linked.has(`docs/screenshots/${name}`))).toEqual([]);
  const index = linksOf(pages.find(({ name }) => name === 'docs/guide/README.md')!.text);
  const guide = readdirSync(join(root, 'docs/guide')).filter((name) => name !== 'README.md');
  expect(guide.filter((name) => !index.includes(name))).toEqual([]);
});
