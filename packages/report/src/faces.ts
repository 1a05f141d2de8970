/** The application's two faces, each as a base64 text of its WOFF2 file. */
export interface Faces {
  readonly text: string;
  readonly mono: string;
}

/** CSS that brings the faces along in a file of its own. */
export const faceStyle = ({ text, mono }: Faces): string =>
  rule('Atkinson Hyperlegible Next Variable', text) + rule('Atkinson Hyperlegible Mono Variable', mono);

const rule = (family: string, base64: string): string =>
  `@font-face{font-family:'${family}';font-weight:200 800;src:url(data:font/woff2;base64,${base64}) format('woff2')}`;
