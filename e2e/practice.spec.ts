import { expect, test } from './demo-page.ts';
import { violations } from './axe.ts';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  answerTo,
  levels,
  makeHunt,
  makeProblem,
  problemKinds,
  type Level,
  type Problem,
  type ProblemKind,
} from '../packages/core/src/practice/index.ts';

/** The problem on the page, from its address. */
function problemOn(page: Page): Problem {
  const params = new URL(page.url()).searchParams;
  const kind = problemKinds.find((one) => one === params.get('kind')) ?? ('equivalent' satisfies ProblemKind);
  const level = levels.find((one) => String(one) === params.get('level')) ?? 1;
  return makeProblem(kind, level, Number(params.get('seed') ?? 1));
}

/** The right answer to a question, as one types it: five digits in the unit without a prefix. */
function typedAnswer(problem: Problem, at: number): string {
  const ask = problem.asks[at]!;
  const answer = answerTo(problem, ask);
  if (typeof answer !== 'number') throw new Error('no number');
  return ask.unit === '%' ? `${(100 * answer).toPrecision(5)} %` : `${answer.toPrecision(5)} ${ask.unit!.slice(-1)}`;
}

test('three problems and a fault hunt by keyboard alone, the first with a mistake that is named; all of it is kept', async ({
  page,
  server,
  faults,
}) => {
  const { keyboard } = page;
  await page.goto(`${server.address}/practice/problems?kind=voltmeter&level=1&seed=7`);
  await expect(page.getByLabel('What does V1 indicate?')).toBeFocused();
  // Who it is: back from the first field to the name.
  await keyboard.press('Shift+Tab');
  for (
    let steps = 0;
    steps < 12 && !(await page.getByLabel('Your name').evaluate((e) => e === document.activeElement));
    steps += 1
  )
    await keyboard.press('Shift+Tab');
  await keyboard.type('B. Wader');
  await keyboard.press('Enter');
  for (
    let steps = 0;
    steps < 12 && !(await page.getByLabel('What does V1 indicate?').evaluate((e) => e === document.activeElement));
    steps += 1
  )
    await keyboard.press('Tab');

  const first = problemOn(page);
  const truth = answerTo(first, { ...first.asks[0]!, of: { what: 'true', setup: 'S-1', meter: 'V1' } }) as number;
  await keyboard.type(`${truth.toPrecision(5)} V`);
  await keyboard.press('Enter');
  await expect(page.getByText('its resistance was left out')).toBeVisible();
  await keyboard.press('Control+a');
  await keyboard.type(typedAnswer(first, 0));
  await keyboard.press('Enter');
  await expect(page.getByText(/^Right:/)).toBeVisible();
  for (let problem = 2; problem <= 3; problem += 1) {
    const before = page.url();
    await expect(page.getByRole('button', { name: 'Next problem' })).toBeFocused();
    await keyboard.press('Enter');
    await expect.poll(() => page.url()).not.toBe(before);
    await expect(page.getByLabel('What does V1 indicate?')).toBeFocused();
    await keyboard.type(typedAnswer(problemOn(page), 0));
    await keyboard.press('Enter');
    await expect(page.getByText(/^Right:/)).toBeVisible();
  }

  await page.goto(`${server.address}/practice/hunt?level=2&seed=5`);
  const hunt = makeHunt(2, 5);
  const named = hunt.candidates.find(
    ({ hypothesis }) =>
      hypothesis.fault === hunt.fault.fault &&
      hypothesis.where.join() === hunt.fault.where.join() &&
      hypothesis.value === hunt.fault.value,
  )!;
  await page.getByRole('slider', { name: 'V, red lead' }).focus();
  await keyboard.press('ArrowDown');
  await expect(page.getByText(/^Red lead on/)).toBeVisible();
  await keyboard.press('ArrowUp');
  await page.getByRole('button', { name: 'Read', exact: true }).focus();
  await keyboard.press('Enter');
  await expect(page.getByText('Cost so far: 1')).toBeVisible();
  const choose = async (label: string, option: string): Promise<void> => {
    await page.getByRole('button', { name: new RegExp(`^${label}`) }).focus();
    await keyboard.press('Space');
    await expect(page.getByRole('listbox')).toBeFocused();
    // A blank would choose what is marked already.
    await keyboard.type(option.split(' ')[0]!);
    await expect(page.locator('[role="option"][data-focus]')).toHaveText(option);
    await keyboard.press('Enter');
    await expect(page.getByRole('listbox')).toBeHidden();
  };
  await choose('Where', named.place);
  await choose('Fault', named.name);
  await page.getByRole('button', { name: 'Name it' }).focus();
  await keyboard.press('Enter');
  await expect(page.getByText(/^Right:/)).toBeVisible();
  await expect(page.getByRole('table', { name: 'An efficient sequence of readings' })).toBeVisible();

  const kept = async () =>
    (await server.ask('GET', '/practice/attempts?person=B.%20Wader')).json as {
      right: boolean;
      slip: string | null;
      kind: string;
    }[];
  await expect.poll(async () => (await kept()).length).toBe(4);
  expect((await kept()).map(({ kind, right, slip }) => [kind, right, slip])).toEqual([
    ['voltmeter', false, 'meter-left-out'],
    ['voltmeter', true, null],
    ['voltmeter', true, null],
    ['fault-hunt', true, null],
  ]);
  await page.getByRole('tab', { name: 'Progress' }).click();
  const row = page.getByRole('table', { name: 'By kind' }).getByRole('row', { name: /^A voltmeter in the circuit/ });
  await expect(row).toContainText('3');
  await expect(row).toContainText('That is the value without the meter');
  expect(faults).toEqual([]);
});

test('what was practised while the server was away is handed in afterwards, once', async ({ page, server }) => {
  await page.goto(`${server.address}/practice/problems?kind=equivalent&level=1&seed=3`);
  await page.getByLabel('Your name').fill('B. Wader');
  await page.keyboard.press('Enter');
  await page.route('**/api/practice/attempts', (route) => route.abort());
  await page.getByLabel('What resistance does E1 see?').fill(typedAnswer(problemOn(page), 0));
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 to be sent')).toBeVisible();
  await page.unroute('**/api/practice/attempts');
  await page.reload();
  await expect(page.getByText('to be sent')).toBeHidden();
  const kept = async () => ((await server.ask('GET', '/practice/attempts?person=B.%20Wader')).json as unknown[]).length;
  await expect.poll(kept).toBe(1);
  await page.reload();
  await expect(page.getByLabel('What resistance does E1 see?')).toBeVisible();
  expect(await kept()).toBe(1);
});

test('attempts go out as CSV and are erased on request', async ({ page, server, faults }) => {
  await page.goto(`${server.address}/practice/progress`);
  await page.getByRole('button', { name: /Whose attempts/ }).click();
  await page.getByRole('option', { name: 'A. Reed' }).click();
  await expect(page.getByText('12 attempts')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  const lines = readFileSync(await (await download).path(), 'utf8')
    .trim()
    .split(/\r?\n/);
  expect(lines[0]).toBe('at,person,kind,level,seed,right,slip,hints,seconds');
  expect(lines).toHaveLength(13);
  expect(lines[1]).toContain('A. Reed,equivalent,1,0,false,reciprocal-not-inverted,1,96');
  await page.getByRole('button', { name: 'Erase', exact: true }).click();
  await page.getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByText('5 attempts')).toBeVisible();
  expect(
    ((await server.ask('GET', '/practice/learners')).json as { person: string }[]).map(({ person }) => person),
  ).toEqual(['T. Finch']);
  expect(faults).toEqual([]);
});

test('a series is saved by one and worked by another, problem by problem', async ({ page, server, faults }) => {
  await page.goto(`${server.address}/practice/problems?kind=shunt&level=1&seed=9`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Series', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Save ten like this as a series' }).click();
  const file = await (await download).path();
  await page.getByLabel('Series of problems to open').setInputFiles({
    name: 'week.series.json',
    mimeType: 'application/json',
    buffer: readFileSync(file),
  });
  await expect(page.getByText('Design a shunt, level 1: problem 1 of 10')).toBeVisible();
  await page.getByLabel(/^What is the shunt/).fill(typedAnswer(problemOn(page), 0));
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByText('problem 2 of 10')).toBeVisible();
  expect(new URL(page.url()).searchParams.get('seed')).toBe('10');
  await page.getByLabel('Series of problems to open').setInputFiles({
    name: 'tea.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"tea"}'),
  });
  await expect(page.getByText('tea.json: This is no series of problems')).toBeVisible();
  expect(faults).toEqual([]);
});

test('a worksheet fills itself as values are given, says what is missing, and becomes a job', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(`${server.address}/practice/worksheet`);
  const give = async (name: string, value: string): Promise<void> => {
    await page.getByRole('textbox', { name, exact: true }).fill(value);
    await page.keyboard.press('Enter');
  };
  const cell = (name: string) => page.getByRole('textbox', { name, exact: true });
  await give('E1, voltage', '24');
  await give('R1, resistance', '12k');
  await give('R1, voltage', '18');
  await expect(cell('R1, current')).toHaveValue('1.5\u00a0mA');
  await expect(cell('R2, voltage')).toHaveValue('6\u00a0V');
  await expect(page.getByText('Still missing: the resistance or current or power of R2')).toBeVisible();
  await give('R2, current', '0.5 mA');
  await expect(page.getByText('Complete: every value follows.')).toBeVisible();
  await expect(cell('R3, resistance')).toHaveValue('6\u00a0kΩ');
  await expect(page.getByRole('region', { name: 'Working' })).toContainText('18 V / 12 kΩ = 1.5 mA');
  await give('R3, resistance', '7k');
  await expect(page.getByText('These values contradict each other.')).toBeVisible();
  await give('R3, resistance', '');
  await page.reload();
  await expect(cell('R2, current')).toHaveValue('500\u00a0µA');
  await page.getByRole('button', { name: 'Show the next' }).click();
  await expect(page.getByRole('region', { name: 'Groups' })).toContainText('R2 and R3 in parallel');
  await page.getByRole('button', { name: 'Make it a job' }).click();
  await expect(page).toHaveURL(/\/bench\/.*\/network/);
  await expect(page.getByRole('textbox', { name: 'Resistance of R3' })).toHaveValue(/6\s*kΩ/);
  expect(faults).toEqual([]);
});

test('a sheet of problems has its solutions on a page of its own, or none', async ({ page, server, faults }) => {
  await page.goto(`${server.address}/practice/print`);
  await expect(page.getByRole('list', { name: 'Problems' }).getByRole('listitem')).toHaveCount(6);
  await expect(page.getByRole('region', { name: 'Solutions' })).toBeVisible();
  await page.getByRole('switch', { name: 'With solutions' }).click();
  await expect(page.getByRole('region', { name: 'Solutions' })).toBeHidden();
  await page.getByRole('radio', { name: '10' }).click();
  await expect(page.getByRole('list', { name: 'Problems' }).getByRole('listitem')).toHaveCount(10);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Pages' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  expect(faults).toEqual([]);
});

test.describe('the same seed', () => {
  const cases: readonly (readonly [ProblemKind, Level])[] = [
    ['voltmeter', 1],
    ['find-fault', 2],
    ['multiplier', 3],
  ];
  for (const [kind, level] of cases)
    test(`gives the same ${kind} problem in the browser and headless`, async ({ page, server }) => {
      await page.goto(`${server.address}/practice/problems?kind=${kind}&level=${level}&seed=21`);
      await expect(page.getByRole('region', { name: 'Problem' })).toContainText(makeProblem(kind, level, 21).text);
    });
});

test('a needle is read and a meter set: mistakes are named, half a division counts', async ({
  page,
  server,
  faults,
}) => {
  const open = async (kind: ProblemKind): Promise<Problem> => {
    await page.goto(`${server.address}/practice/problems?kind=${kind}&level=2&seed=4`);
    await page.getByRole('region', { name: 'Problem' }).waitFor();
    return problemOn(page);
  };
  const needle = await open('read-needle');
  const answers = page.getByRole('region', { name: 'Answers' });
  await expect(page.getByRole('img', { name: /needle at [\d.]+ on the scale 0–/ })).toBeVisible();
  const name = (await page.getByRole('img', { name: /needle at/ }).getAttribute('aria-label'))!;
  const [, figure, last] = /needle at ([\d.]+) on the scale 0–(\d+)/.exec(name)!;
  const range = /range ([\d.]+) V/.exec(name)![1]!;
  const field = answers.getByLabel(/What does its needle indicate/);
  await field.fill(`${figure} V`);
  await field.press('Enter');
  await expect(answers).toContainText('not yet converted');
  await field.fill(`${(Number(figure) / Number(last)) * Number(range)} V`);
  await field.press('Enter');
  await expect(answers).toContainText('Right');
  expect(answerTo(needle, needle.asks[0]!)).toBeCloseTo((Number(figure) / Number(last)) * Number(range), 6);

  const setting = await open('set-meter');
  for (const ask of setting.asks) {
    const right = answerTo(setting, ask) as string;
    const group = answers.getByRole('group', { name: ask.text });
    const wrong = (await group.getByRole('button').allInnerTexts()).find((text) => text !== right)!;
    await group.getByRole('button', { name: wrong, exact: true }).click();
    await expect(group).not.toContainText('Right');
    await group.getByRole('button', { name: right, exact: true }).click();
    await expect(group).toContainText('Right');
  }
  expect(faults).toEqual([]);
});

test('the start page shows each kind with its standing; the working appears once the answer is right', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(`${server.address}/practice`);
  const kinds = page.getByRole('list', { name: 'Kinds of problems' });
  await expect(kinds.getByRole('listitem')).toHaveCount(problemKinds.length + 1);
  await expect(page.getByRole('link', { name: 'Begin' })).toBeVisible();
  await page.getByLabel('Your name').fill('B. Wader');
  await page.keyboard.press('Enter');
  await expect(kinds.getByRole('link', { name: /^A voltmeter in the circuit level 1, no attempts yet/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await kinds.getByRole('link', { name: /^A voltmeter in the circuit/ }).click();
  await expect(page).toHaveURL(/kind=voltmeter&level=1/);
  const field = page.getByLabel('What does V1 indicate?');
  await expect(page.getByRole('region', { name: 'Working' })).toHaveCount(0);
  await field.fill(typedAnswer(problemOn(page), 0));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Working' }).getByRole('listitem').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Start' }).click();
  await expect(
    kinds.getByRole('link', { name: /^A voltmeter in the circuit level \d, 1 attempt, 100\s% correct/ }),
  ).toBeVisible();
  expect(faults).toEqual([]);
});
