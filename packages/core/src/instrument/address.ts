/** Network address of an instrument. */
export interface Address {
  readonly host: string;
  readonly port: number;
}

/** Parses `tcp://host:port`; an IPv6 address is in square brackets. Null if it is no such address. */
export function readAddress(text: string): Address | null {
  const match = /^tcp:\/\/(\[[0-9a-f:.]+\]|[a-z0-9](?:[a-z0-9.-]*[a-z0-9])?):(\d{1,5})$/i.exec(text);
  const port = Number(match?.[2]);
  if (!match || port < 1 || port > 65_535) return null;
  return { host: match[1]!.replace(/^\[|\]$/g, ''), port };
}
