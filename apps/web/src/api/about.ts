import type { AboutAnswer, HealthAnswer } from '@usual-drag/contract';
import { queryOptions } from '@tanstack/react-query';
import { serverAddress } from './base-path.ts';
import { ask } from './http.ts';

/** Description of this installation. */
export const aboutQuery = queryOptions({
  queryKey: ['about'],
  queryFn: () => ask<AboutAnswer>('GET', '/about'),
});

/** Health of the server, with its warnings. */
export const healthQuery = queryOptions({
  queryKey: ['health'],
  queryFn: () => ask<HealthAnswer>('GET', '/health'),
});

/** Address of the report for support. */
export const supportReportAddress = serverAddress('api/about/report');
/** Address of the licences of all included packages. */
export const licencesAddress = serverAddress('licences.txt');
