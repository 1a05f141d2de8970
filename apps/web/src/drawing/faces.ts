import mono from '@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2?url';
import text from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import type { Faces } from '@usual-drag/report';

/** The application's faces, to be put into a file of its own. */
export async function fetchFaces(): Promise<Faces> {
  const [textFace, monoFace] = await Promise.all([base64(text), base64(mono)]);
  return { text: textFace, mono: monoFace };
}

async function base64(address: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(address)).arrayBuffer());
  return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
}
