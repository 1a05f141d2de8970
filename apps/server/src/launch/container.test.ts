import { readFileSync } from 'node:fs';
import { validate } from 'dockerfile-utils';
import { startOptions } from './start-options.ts';

const dockerfile = readFileSync('Dockerfile', 'utf8');
const compose = readFileSync('compose.yaml', 'utf8');

test('the linter of Dockerfiles finds nothing, and the linter works', () => {
  expect(validate(dockerfile)).toEqual([]);
  expect(validate(dockerfile.replace('USER node', 'USERS node'))).not.toEqual([]);
});

test('the container runs the program without rights, with options that it has, and is checked', () => {
  const last = dockerfile.slice(dockerfile.lastIndexOf('FROM '));
  expect(last).toMatch(/^USER node$/m);
  expect(last).toMatch(/^HEALTHCHECK /m);
  const [, words] = /^CMD (\["start".*\])$/m.exec(last)!;
  for (const option of (JSON.parse(words!) as string[]).filter((word) => word.startsWith('--')))
    expect(Object.keys(startOptions)).toContain(option.slice(2));
  for (const line of ['read_only: true', 'cap_drop:', 'no-new-privileges:true', 'stop_grace_period: 30s'])
    expect(compose).toContain(line);
});
