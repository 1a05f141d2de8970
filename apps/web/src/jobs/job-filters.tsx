import { LayoutGrid, Search, Table2 } from 'lucide-react';
import { Choice } from '../ui/choice.tsx';
import { Segments } from '../ui/segments.tsx';
import type { JobOrder } from './find-jobs.ts';
import type { useJobSearch } from './use-job-search.ts';

interface Props {
  readonly search: ReturnType<typeof useJobSearch>;
  readonly assets: readonly string[];
}

const orders: readonly { readonly value: JobOrder; readonly text: string }[] = [
  { value: 'changed', text: 'last changed' },
  { value: 'title', text: 'title' },
  { value: 'asset', text: 'asset' },
  { value: 'date', text: 'date' },
  { value: 'error', text: 'worst error' },
];

/** Search for jobs, their order and their layout. */
export function JobFilters({ search: [{ text, asset, order, view }, change], assets }: Props) {
  return (
    <div role="search" className="flex flex-wrap items-center gap-x-3 gap-y-2">
      <label className="relative min-w-52 grow">
        <span className="sr-only">Find a job</span>
        <Search aria-hidden size={17} className="absolute top-1/2 left-3 -translate-y-1/2 text-soft" />
        <input
          type="search"
          value={text}
          placeholder="Title, asset, order, site or date"
          className="min-h-9 w-full rounded-lg border border-line bg-sheet py-1 pr-3 pl-9 pointer-coarse:min-h-11"
          onChange={(event) => change({ text: event.target.value })}
        />
      </label>
      {assets.length > 0 && (
        <Choice
          label="Asset"
          beside="Asset"
          className="min-w-44"
          value={asset}
          options={[{ value: '', text: 'all' }, ...assets.map((tag) => ({ value: tag, text: tag }))]}
          onChange={(next) => change({ asset: next })}
        />
      )}
      <Choice
        label="Sorted by"
        beside="Sorted by"
        className="min-w-48"
        value={order}
        options={orders}
        onChange={(next) => change({ order: next })}
      />
      <Segments
        label="Jobs as"
        value={view}
        options={[
          { value: 'cards', text: <LayoutGrid aria-label="Cards" size={17} /> },
          { value: 'table', text: <Table2 aria-label="Table" size={17} /> },
        ]}
        onChange={(next) => change({ view: next })}
      />
    </div>
  );
}
