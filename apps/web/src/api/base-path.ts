/**
 * Returns the path of the application on its host, with a slash at both ends. The server writes it into the page; it is `/` unless
 * the server is reached through a proxy under a path.
 */
export function basePath(): string {
  const path = globalThis.document?.querySelector<HTMLMetaElement>('meta[name="base-path"]')?.content;
  return path === undefined || path === './' ? '/' : path;
}

/** Returns an address of the server. @param path  from the base path on, without a slash at its beginning */
export const serverAddress = (path: string): string => basePath() + path;

/** Returns the path of the present page within the application. */
export const pagePath = (): string => `/${location.pathname.slice(basePath().length)}`;
