/** Gives a text to the person as a file. */
export const saveText = (text: string, name: string, type: string): void => saveBlob(new Blob([text], { type }), name);

/** Converts a title to the start of a file name: letters and digits, joined by hyphens. */
export const fileStem = (title: string): string =>
  title.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'untitled';

/** Gives bytes to the person as a file. */
export function saveBlob(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  Object.assign(document.createElement('a'), { href: address, download: name }).click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
