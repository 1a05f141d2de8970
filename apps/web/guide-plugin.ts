import { readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { Marked, type Tokens } from 'marked';
import type { Plugin } from 'vite';

const docs = join(import.meta.dirname, '../../docs');

/** Documents outside the guide that are also pages of it. */
const others = ['theory', 'formats', 'headless', 'line-notation', 'install'];

/** A page of the guide, rendered. */
interface GuidePage {
  readonly title: string;
  /** Places on the page that can be linked to: headings, and the bold beginnings of paragraphs. */
  readonly topics: readonly { readonly anchor: string; readonly text: string }[];
  readonly html: string;
  /** Paths of the pictures; `{{picture N}}` in the HTML stands for the address of the Nth. */
  readonly pictures: readonly string[];
}

/** Files of the guide by the id of their page, in the order of its contents, which are the page `start`. */
const files: ReadonlyMap<string, string> = new Map([
  ...inOrder(readdirSync(join(docs, 'guide')).filter((name) => name.endsWith('.md'))).map(
    (name) => [idOf(name), join(docs, 'guide', name)] as const,
  ),
  ...others.map((name) => [name, join(docs, `${name}.md`)] as const),
]);

function inOrder(names: readonly string[]): string[] {
  const contents = readFileSync(join(docs, 'guide/README.md'), 'utf8');
  return [...names].sort((a, b) => contents.indexOf(`(${a})`) - contents.indexOf(`(${b})`));
}

function idOf(file: string): string {
  const name = basename(file, '.md');
  return name === 'README' ? 'start' : name;
}

/** Returns a text as an anchor: its words in lower case, joined by hyphens. */
const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');

/** Renders a page. @throws Error for a link to no page, or a picture that does not exist */
function render(file: string): GuidePage {
  const topics: { anchor: string; text: string }[] = [];
  const pictures: string[] = [];
  let title = basename(file);
  const topic = (text: string): string => {
    topics.push({ anchor: slug(text), text });
    return slug(text);
  };
  const marked = new Marked({
    gfm: true,
    renderer: {
      heading({ tokens, depth, text }: Tokens.Heading) {
        const inner = this.parser.parseInline(tokens);
        if (depth === 1) {
          title = plain(text);
          return `<h1>${inner}</h1>`;
        }
        return `<h${depth} id="${topic(plain(text))}">${inner}</h${depth}>`;
      },
      paragraph({ tokens }: Tokens.Paragraph) {
        const [first] = tokens;
        const id = first?.type === 'strong' ? ` id="${topic(plain(first.text).replace(/[.:]$/, ''))}"` : '';
        return `<p${id}>${this.parser.parseInline(tokens)}</p>`;
      },
      link({ href, tokens }: Tokens.Link) {
        const inner = this.parser.parseInline(tokens);
        const address = addressOf(href, file);
        return address === null ? inner : `<a href="${address}">${inner}</a>`;
      },
      image({ href, text }: Tokens.Image) {
        const picture = resolve(dirname(file), href);
        pictures.push(picture);
        const { width, height } = sizeOf(picture);
        return `<img src="{{picture ${pictures.length - 1}}}" alt="${escaped(text)}" width="${width}" height="${height}" loading="lazy">`;
      },
      code({ text }: Tokens.Code) {
        return `<pre tabindex="0"><code>${escaped(text)}</code></pre>`;
      },
      table(token: Tokens.Table) {
        const row = (cells: readonly Tokens.TableCell[], tag: 'th' | 'td'): string =>
          `<tr>${cells.map((cell) => `<${tag}>${this.parser.parseInline(cell.tokens)}</${tag}>`).join('')}</tr>`;
        const body = token.rows.map((cells) => row(cells, 'td')).join('');
        return `<div class="table" tabindex="0"><table><thead>${row(token.header, 'th')}</thead><tbody>${body}</tbody></table></div>`;
      },
    },
  });
  const html = marked.parse(readFileSync(file, 'utf8'), { async: false });
  return { title, topics, html, pictures };
}

/**
 * Returns the address in the application of what a page links to; null if it is only in the source repository.
 *
 * @throws Error if a page of the guide itself has such a link
 */
function addressOf(href: string, file: string): string | null {
  const [path = '', anchor] = href.split('#');
  if (path === '') return `#${anchor}`;
  const id = idOf(path);
  if (files.get(id) === resolve(dirname(file), path)) return `/help/${id}${anchor === undefined ? '' : `#${anchor}`}`;
  if (dirname(file) === join(docs, 'guide'))
    throw new Error(
      `${file} links to ${href}, which is no page of the guide. Link to a page of the guide, or remove the link.`,
    );
  return null;
}

/** Returns the size of a PNG picture in pixels, from its header, so that the page reserves its place. */
function sizeOf(picture: string): { readonly width: number; readonly height: number } {
  const header = readFileSync(picture).subarray(0, 24);
  return { width: header.readUInt32BE(16), height: header.readUInt32BE(20) };
}

/** Returns a text with the special characters of HTML escaped. */
const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** Returns a text without the marks of emphasis and code. */
const plain = (text: string): string => text.replace(/[*`_]/g, '');

/** Renders the guide while the page is built: `virtual:guide` has its contents and fetches its pages. */
export function guide(): Plugin {
  return {
    name: 'guide',
    resolveId: (id) => (id === 'virtual:guide' ? `\0${id}` : id.endsWith('.md?guide') ? id : null),
    load(id) {
      if (id === '\0virtual:guide') {
        const pages = [...files].map(([page, file]) => {
          const { title, topics } = render(file);
          this.addWatchFile(file);
          return `{ id: ${JSON.stringify(page)}, title: ${JSON.stringify(title)}, topics: ${JSON.stringify(topics)}, fetch: () => import(${JSON.stringify(`${file}?guide`)}) }`;
        });
        return `export const guide = [${pages.join(',\n')}];`;
      }
      if (!id.endsWith('.md?guide')) return null;
      const { html, pictures } = render(id.slice(0, -'?guide'.length));
      const imports = pictures.map((path, n) => `import picture${n} from ${JSON.stringify(path)};`);
      const text = pictures.reduce(
        (code, _, n) => code.replace(`{{picture ${n}}}`, `\${picture${n}}`),
        html.replace(/[\\`$]/g, '\\$&'),
      );
      return [...imports, `export const html = \`${text}\`;`].join('\n');
    },
  };
}
