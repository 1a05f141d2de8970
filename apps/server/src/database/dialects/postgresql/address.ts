/** Returns where a database is, without user and password: `host:5432/name`. */
export function addressOf(url: string): string {
  const { host, pathname, searchParams } = new URL(url);
  return `${host === '' ? (searchParams.get('host') ?? 'localhost') : host}${decodeURIComponent(pathname)}`;
}
