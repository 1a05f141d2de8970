import { useCallback, useState } from 'react';
import { NavigationType, useLocation, useNavigationType, useSearchParams } from 'react-router';
import { jobOrders, type JobOrder, type JobSearch } from './find-jobs.ts';

/** Cards with a drawing each, or a table. */
type JobView = 'cards' | 'table';

type Choices = JobSearch & { readonly view: JobView };

const usual: Choices = { text: '', asset: '', order: 'changed', view: 'cards' };
const viewKey = 'usual-drag-jobs-view';

/** Criteria and layout of the list; the URL follows them, so that Back leads to the same list. */
export function useJobSearch(): readonly [Choices, (change: Partial<Choices>) => void] {
  const [params, setParams] = useSearchParams();
  const [choices, setChoices] = useState(() => choicesIn(params));
  const { key } = useLocation();
  const comes = useNavigationType();
  const [seen, setSeen] = useState(key);
  // What is typed here replaces the address; a link, or the way back, brings an address of its own.
  if (key !== seen) {
    setSeen(key);
    if (comes !== NavigationType.Replace) setChoices(choicesIn(params));
  }
  const change = useCallback(
    (next: Partial<Choices>) => {
      if (next.view) localStorage.setItem(viewKey, next.view);
      setChoices((now) => ({ ...now, ...next }));
      setParams(
        (before) => {
          const after = new URLSearchParams(before);
          for (const [key, value] of Object.entries(next))
            if (value === usual[key as keyof Choices]) after.delete(key);
            else after.set(key, value);
          return after;
        },
        { replace: true },
      );
    },
    [setParams],
  );
  return [choices, change];
}

function choicesIn(params: URLSearchParams): Choices {
  const order = params.get('order') as JobOrder;
  const view = params.get('view') ?? localStorage.getItem(viewKey);
  return {
    text: params.get('text') ?? usual.text,
    asset: params.get('asset') ?? usual.asset,
    order: jobOrders.includes(order) ? order : usual.order,
    view: view === 'table' ? 'table' : usual.view,
  };
}
