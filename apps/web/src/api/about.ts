import type { AboutAnswer, HealthAnswer } from '@usual-drag/contract';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';

/** This installation, for who runs it. */
export const aboutQuery = queryOptions({
  queryKey: ['about'],
  queryFn: () => ask<AboutAnswer>('GET', '/about'),
});

/** What needs attention on the server. */
export const healthQuery = queryOptions({
  queryKey: ['health'],
  queryFn: () => ask<HealthAnswer>('GET', '/health'),
});

/** File for whoever helps. */
export const supportReportAddress = '/api/about/report';
/** Licences of everything that this installation contains. */
export const licencesAddress = '/licences.txt';
