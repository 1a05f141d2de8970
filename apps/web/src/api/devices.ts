import type { DevicesAnswer } from '@usual-drag/contract';
import { queryOptions } from '@tanstack/react-query';
import { serverAddress } from './base-path.ts';
import { ask } from './http.ts';

/** Addresses for other devices. */
export const devicesQuery = queryOptions({
  queryKey: ['devices'],
  queryFn: () => ask<DevicesAnswer>('GET', '/devices'),
  staleTime: Infinity,
});

/** Signs every device out, this one too. */
export const signOutEverywhere = () => ask<undefined>('POST', '/devices/sign-out-everywhere');

/** Signs this device out. */
export const signOut = () =>
  fetch(serverAddress('sign-out'), { method: 'POST', headers: { 'content-type': 'application/json' } });
