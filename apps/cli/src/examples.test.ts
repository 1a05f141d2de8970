import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const root = join(__dirname, '../../..');
const page = readFileSync(join(root, 'docs/headless.md'), 'utf8');

/** Every command of the page with what stands below it. */
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
