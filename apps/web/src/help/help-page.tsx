import clsx from 'clsx';
import { useEffect, useRef, useState, type MouseEvent } from 'react';
import { NavLink, useLocation, useNavigate, useParams } from 'react-router';
import { guide } from 'virtual:guide';
import { basePath } from '../api/base-path.ts';

/** Guide: a list of its pages, and the open page. */
export function HelpPage() {
  const { page: asked } = useParams();
  const page = guide.find(({ id }) => id === asked) ?? guide.find(({ id }) => id === 'start')!;
  const html = useHtml(page.id);
  const { hash } = useLocation();
  const navigate = useNavigate();
  const article = useRef<HTMLElement>(null);
  useEffect(() => {
    if (html === null) return;
    const place = hash === '' ? null : document.getElementById(decodeURIComponent(hash.slice(1)));
    if (place) place.scrollIntoView();
    else article.current?.parentElement?.scrollTo({ top: 0 });
  }, [html, hash]);
  const follow = (event: MouseEvent<HTMLElement>): void => {
    const to = (event.target as Element).closest('a')?.getAttribute('href');
    if (to == null || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    void navigate(to.startsWith('#') ? to : `/${to.slice(basePath().length)}`);
  };
  return (
    <div className="flex h-full min-h-0 flex-col overflow-y-auto md:flex-row md:overflow-hidden">
      <nav
        aria-label="Pages of the guide"
        className="flex shrink-0 gap-1 overflow-x-auto border-line p-3 md:w-56 md:flex-col md:overflow-y-auto md:border-r"
      >
        {guide.map(({ id, title }) => (
          <NavLink
            key={id}
            to={`/help/${id}`}
            className={clsx(
              'flex min-h-9 shrink-0 items-center rounded-lg px-3 leading-tight hover:bg-sunk pointer-coarse:min-h-11',
              id === page.id && 'bg-sunk font-bold',
            )}
            aria-current={id === page.id ? 'page' : undefined}
          >
            {title}
          </NavLink>
        ))}
      </nav>
      <main className="relative min-w-0 grow md:overflow-y-auto">
        {html === null ? (
          <p className="px-8 py-5 text-soft">Fetching the page …</p>
        ) : (
          // Rendered by the build from the documents of this version: it contains no input of users.
          <article
            ref={article}
            className="guide max-w-3xl px-4 py-5 sm:px-8"
            onClick={follow}
            dangerouslySetInnerHTML={{ __html: html }}
          />
        )}
      </main>
    </div>
  );
}

/** Returns the text of a page; null until it is fetched. */
function useHtml(id: string): string | null {
  const [fetched, setFetched] = useState<{ readonly id: string; readonly html: string } | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void guide
      .find((page) => page.id === id)
      ?.fetch()
      .then(({ html }) => isCurrent && setFetched({ id, html: html.replaceAll('href="/', `href="${basePath()}`) }));
    return () => {
      isCurrent = false;
    };
  }, [id]);
  return fetched?.id === id ? fetched.html : null;
}
