import { pathToFileURL } from 'node:url';

/** A path as the database client wants it: spaces, umlauts and all else in it escaped. */
export const fileAddress = (path: string): string => pathToFileURL(path).href;
