/** A moment as a record writes it, the same everywhere: `2026-11-24 09:14 UTC`. What is no moment stays as it is. */
export function moment(at: string): string {
  const time = new Date(at);
  return Number.isNaN(time.getTime()) ? at : `${time.toISOString().slice(0, 16).replace('T', ' ')} UTC`;
}
