/** Width of a line of text in px, near enough to keep labels apart: the faces that ship are close to these. */
export const textWidth = (text: string, size: number, face: 'mono' | 'text' = 'text'): number =>
  [...text].length * size * (face === 'mono' ? 0.62 : 0.56);
