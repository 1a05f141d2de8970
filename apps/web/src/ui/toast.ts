import type { ExternalToast, toast as show } from 'sonner';

type Show = typeof show;

let begin: (show: Show) => void = () => undefined;
/** Function that displays a toast; it is loaded after the first load, with the `Toaster` of the page's frame. */
const shown = new Promise<Show>((resolve) => (begin = resolve));

/** Called when the page's frame is ready to display toasts. */
export const toasterIsThere = (ready: Show): void => begin(ready);

/**
 * Says something for a few seconds at the edge of the page.
 *
 * @returns what takes it away again
 */
export function toast(message: string, options?: ExternalToast): () => void {
  const said = shown.then((ready) => ready(message, options));
  return () => void Promise.all([shown, said]).then(([ready, id]) => ready.dismiss(id));
}

/** The same for what went wrong. */
toast.error = (message: string, options?: ExternalToast): void =>
  void shown.then((ready) => ready.error(message, options));
