import { type Page } from '@playwright/test';
import type { DemoServer } from './demo-page.ts';

/** A screen of the application, by what it is called, and how to get there. */
export interface Screen {
  readonly name: string;
  readonly path: string;
  readonly open?: (page: Page) => Promise<void>;
}

const tab = (name: string) => (page: Page) => page.getByRole('tab', { name, exact: true }).click();

/** Every screen of the demo. */
export async function allScreens(server: DemoServer): Promise<Screen[]> {
  const jobs = (await server.ask('GET', '/jobs')).json as { id: string; title: string }[];
  const projects = (await server.ask('GET', '/meter-projects')).json as { id: string }[];
  const id = (title: string): string => jobs.find((job) => job.title.startsWith(title))!.id;
  const divider = `/bench/${id('Float-level')}`;
  const views = ['circuit', 'working', 'equations', 'superposition', 'what-if', 'tolerance'];
  const topics = ['loading', 'insertion', 'source-resistance', 'range', 'correction', 'together', 'tolerance'];
  return [
    { name: 'Jobs', path: '/' },
    { name: 'Jobs, table', path: '/?view=table' },
    { name: 'Devices', path: '/devices' },
    { name: 'Backup', path: '/backup' },
    { name: 'About', path: '/about' },
    { name: 'Help', path: '/help' },
    { name: 'Help, Readings', path: '/help/readings' },
    { name: 'Help, Installation', path: '/help/install' },
    { name: 'Network', path: `${divider}/network` },
    {
      name: 'Network, a part',
      path: `${divider}/network`,
      open: async (page) => {
        await page.getByRole('button', { name: /^R3 15/ }).focus();
        await page.keyboard.press('Enter');
        await tab('All about R3')(page);
      },
    },
    {
      name: 'Network, strip board',
      path: `${divider}/network/board`,
      open: async (page) => {
        await page.getByRole('button', { name: 'Place automatically' }).click();
        await page.getByText('The board matches the drawing.').waitFor();
      },
    },
    { name: 'Readings, strip board', path: `${divider}/readings/board` },
    { name: 'Practice, start', path: '/practice' },
    {
      name: 'Network, a rail',
      path: `${divider}/network`,
      open: (page) => page.locator('[data-rail="B"]').click(),
    },
    ...views.map((view) => ({ name: `True values, ${view}`, path: `${divider}/true-values/${view}` })),
    ...['Sums', 'Supplies', 'Charge', 'Measured or nominal'].map((name) => ({
      name: `True values, ${name}`,
      path: `${divider}/true-values`,
      open: tab(name),
    })),
    ...['Ranges', 'Correct', 'Required resistance', 'Wrong connection', 'Ohmmeter', 'Together or apart'].map(
      (name) => ({
        name: `Set-ups, ${name}`,
        path: `${divider}/setups/S-3`,
        open: tab(name),
      }),
    ),
    ...['Loading map', 'Sums', 'Tolerance', 'Compare'].map((name) => ({
      name: `Set-ups, ${name}`,
      path: `${divider}/setups/S-1`,
      open: tab(name),
    })),
    {
      name: 'Set-ups, R from V and I',
      path: `/bench/${id('Resistor')}/setups`,
      open: tab('R from V and I'),
    },
    { name: 'Set-ups, compliance', path: `/bench/${id('Level loop')}/setups/old` },
    ...['Plan', 'Prepare', 'Sweep', 'Conventions'].map((name) => ({
      name: `Readings, ${name}`,
      path: `${divider}/readings`,
      open: tab(name),
    })),
    {
      name: 'Readings, diagnosis',
      path: `${divider}/readings`,
      open: async (page) => {
        await page.getByRole('tab', { name: 'Diagnosis' }).click();
        await page.getByRole('grid', { name: 'Explanations, best first' }).waitFor();
      },
    },
    {
      name: 'Readings, sums',
      path: `/bench/${id('Beacon')}/readings`,
      open: (page) => page.getByRole('tab', { name: /^Sums/ }).click(),
    },
    {
      name: 'Readings, without the plan',
      path: `${divider}/readings`,
      open: (page) => page.getByRole('button', { name: 'Without the plan' }).click(),
    },
    {
      name: 'Readings, large view',
      path: `${divider}/readings`,
      open: async (page) => {
        await page.getByRole('region', { name: 'Open step' }).waitFor();
        await page.getByRole('button', { name: 'Large view' }).click();
        await page.getByRole('button', { name: 'Close the large view' }).waitFor();
      },
    },
    {
      name: 'Report',
      path: `${divider}/report`,
      open: (page) =>
        page
          .getByText(/Two digits of M8 were exchanged/)
          .first()
          .waitFor(),
    },
    { name: 'Report, calibrated instrument', path: `/bench/${id('Beacon')}/report` },
    {
      name: 'Job details',
      path: `${divider}/setups`,
      open: async (page) => {
        await page.getByRole('button', { name: /^Job details/ }).click();
        await page.getByRole('textbox', { name: 'Site' }).waitFor();
      },
    },
    { name: 'New circuit', path: `/new-circuit/${id('Float-level')}` },
    { name: 'Order', path: '/order/SL-WO-2236' },
    { name: 'Correct', path: '/correct' },
    ...['meter', 'parts', 'stress', 'in-use', 'build'].map((sheet) => ({
      name: `Workshop, ${sheet}`,
      path: `/workshop/${projects[0]!.id}/${sheet}`,
    })),
    { name: 'Kit', path: '/kit/digital-2000' },
    { name: 'Kit, calibrations', path: '/calibrations' },
    {
      name: 'Kit, certificates',
      path: '/kit/plant-digital/certificates',
      open: async (page) => {
        await page.getByLabel('U of the standard, k = 2').fill('1 mV');
        await page.getByLabel('Indicated at point 1').fill('50.01 mV');
        await page.keyboard.press('Enter');
      },
    },
    ...[...topics, 'shunts', 'multipliers'].map((topic) => ({ name: `Learn, ${topic}`, path: `/learn/${topic}` })),
    ...['equivalent', 'both-meters', 'range', 'read-needle', 'set-meter', 'shunt', 'find-fault'].map((kind) => ({
      name: `Practice, ${kind}`,
      path: `/practice/problems?kind=${kind}&level=3&seed=4`,
    })),
    {
      name: 'Practice, marked with hints',
      path: '/practice/problems?kind=voltmeter&level=1&seed=7',
      open: async (page) => {
        await page.getByLabel('What does V1 indicate?').fill('1 mV');
        await page.keyboard.press('Enter');
        await page.getByRole('button', { name: 'Hint' }).click();
      },
    },
    {
      name: 'Practice, fault hunt',
      path: '/practice/hunt?level=2&seed=5',
      open: (page) => page.getByRole('button', { name: 'Read', exact: true }).click(),
    },
    {
      name: 'Practice, worksheet',
      path: '/practice/worksheet',
      open: async (page) => {
        await page.getByRole('textbox', { name: 'E1, voltage' }).fill('24');
        await page.getByRole('textbox', { name: 'E1, resistance' }).fill('12k');
        await page.getByRole('button', { name: 'Show the next' }).click();
      },
    },
    {
      name: 'Practice, progress',
      path: '/practice/progress',
      open: (page) => page.getByRole('table', { name: 'By kind' }).waitFor(),
    },
    { name: 'Practice, sheet to print', path: '/practice/print' },
    {
      name: 'Readings, simulated bench',
      path: `${divider}/readings`,
      open: async (page) => {
        await tab('Prepare')(page);
        await page.getByRole('radio', { name: 'Simulated' }).click();
      },
    },
    { name: 'History', path: `/history/jobs/${id('Float-level')}` },
    {
      name: 'Commands',
      path: `${divider}/setups`,
      open: async (page) => {
        await page.getByTestId('indicated').waitFor();
        await page.keyboard.press('Control+k');
        await page.getByRole('combobox', { name: 'Commands' }).waitFor();
      },
    },
    {
      name: 'Keys',
      path: `${divider}/network`,
      open: async (page) => {
        await page.getByRole('table').first().waitFor();
        await page.keyboard.press('?');
        await page.getByRole('heading', { name: 'Keys on this screen' }).waitFor();
      },
    },
  ];
}

/** Loads a screen and waits until it is complete. */
export async function openScreen(page: Page, server: DemoServer, screen: Screen): Promise<void> {
  await page.goto(server.address + screen.path);
  await complete(page, screen);
}

/** Goes to a screen within the loaded page, as a link does, and waits until it is complete. */
export async function moveTo(page: Page, server: DemoServer, screen: Screen): Promise<void> {
  await page.evaluate((address) => {
    history.pushState(null, '', address);
    window.dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, server.address + screen.path);
  await complete(page, screen);
}

async function complete(page: Page, { open }: Screen): Promise<void> {
  await page.locator('main, aside, article').first().waitFor();
  await open?.(page);
  await page
    .getByText(/^(Fetching|Opening|Choosing the parts)/)
    .first()
    .waitFor({ state: 'hidden' });
}
