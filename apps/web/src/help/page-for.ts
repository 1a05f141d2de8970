import { matchPath } from 'react-router';

/** Page of the guide for each page of the application, the first that fits. */
const pages: readonly (readonly [pattern: string, page: string])[] = [
  ['/bench/:id/network/board', 'strip-board'],
  ['/bench/:id/readings/board', 'strip-board'],
  ['/bench/:id/network/*', 'network'],
  ['/bench/:id/true-values/*', 'true-values'],
  ['/bench/:id/setups/*', 'set-ups'],
  ['/bench/:id/readings/*', 'readings'],
  ['/bench/:id/report/*', 'report'],
  ['/bench/*', 'network'],
  ['/workshop/*', 'workshop'],
  ['/correct', 'correct'],
  ['/kit/*', 'kit'],
  ['/calibrations', 'kit'],
  ['/practice/*', 'practice'],
  ['/learn/*', 'theory'],
  ['/devices', 'devices'],
  ['/backup', 'running'],
  ['/about', 'running'],
  ['/order/*', 'orders'],
  ['/', 'jobs'],
];

/** Returns the page of the guide that is about an address of the application; its contents for any other. */
export const pageFor = (path: string): string =>
  pages.find(([pattern]) => matchPath(pattern, path) !== null)?.[1] ?? 'start';
