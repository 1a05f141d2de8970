import { replaceElement, type Element } from '@usual-drag/core/network';
import { changeNetwork, editElement } from '@usual-drag/core/job';
import clsx from 'clsx';
import { memo, useState } from 'react';
import { useInView } from 'react-intersection-observer';
import { ValueField, type FieldProps } from '../../ui/value-field.tsx';
import { benchNow, useBench } from '../model/bench-store.ts';
import { useSelection } from '../model/selection.ts';
import { fieldsOfKind, type ElementField } from './by-kind.ts';
import { nameField, nodeField } from './name-fields.ts';
import { OffBy } from './off-by.tsx';

interface RowProps {
  readonly element: Element;
  /** One of the first rows, which are visible from the beginning. */
  readonly early: boolean;
  /** Element in which the table scrolls. */
  readonly scroller: HTMLElement | null;
  readonly selected: boolean;
}

/**
 * A part's row. It is drawn again only when the part itself has changed, and has its fields from when it first comes near the
 * sight: hundreds of invisible fields would slow down every keystroke.
 */
export const PartRow = memo(function PartRow({ element, early, scroller, selected }: RowProps) {
  const edit = useBench((state) => state.edit);
  const hoveredEnds = {
    from: useSelection((state) => state.hovered === element.from),
    to: useSelection((state) => state.hovered === element.to),
  };
  const replace = (next: Element): void => {
    edit((job) =>
      next.id === element.id
        ? changeNetwork(job, replaceElement(job.network, element.id, next))
        : editElement(job, element.id, next),
    );
    if (next.id !== element.id) useSelection.getState().selectPart(next.id);
  };
  const [begun] = useState(early || selected);
  const { ref, inView } = useInView({
    root: scroller,
    rootMargin: nearby,
    triggerOnce: true,
    skip: begun || !scroller,
  });
  const live = begun || inView;
  const fields = fieldsOfKind(element.kind);
  const main = fields.main?.(element) ?? null;
  const second = fields.second?.(element) ?? null;
  const rating = fields.rating?.(element) ?? null;
  const measured = fields.measured?.(element) ?? null;
  /** A quantity's cell: a field while it is visible, else its text. */
  const quantity = (field: ElementField | null, column: number, id?: string) =>
    field && (
      <Cell
        live={live}
        {...(id !== undefined && { id })}
        label={`${field.label} of ${element.id}`}
        shown={field.shown}
        read={field.read}
        align="right"
        placeholder="–"
        cell={`${element.id}:${column}`}
        onCommit={(value) => replace(field.put(value))}
      />
    );
  return (
    <tr
      ref={ref}
      className={clsx('border-b border-line/60', selected && 'bg-sunk')}
      aria-selected={selected}
      onFocus={() => select(element.id, false)}
      onClick={(event) => select(element.id, event.shiftKey || event.ctrlKey || event.metaKey)}
    >
      <td className="py-0.5 font-bold">
        <Cell
          live={live}
          label={`Name of ${element.id}`}
          shown={element.id}
          read={(text) => nameField(benchNow().document.network, element.id)(text)}
          cell={`${element.id}:0`}
          onCommit={(id) => replace({ ...element, id })}
        />
      </td>
      {(['from', 'to'] as const).map((end, index) => (
        <td
          key={end}
          className={clsx('py-0.5', hoveredEnds[end] && 'bg-(--limit-ground)')}
          onPointerEnter={() => useSelection.getState().hover(element[end])}
          onPointerLeave={() => useSelection.getState().hover(null)}
        >
          <Cell
            live={live}
            label={`${element.id} ${end}, a node that is there or a new one`}
            shown={element[end]}
            read={nodeField}
            cell={`${element.id}:${1 + index}`}
            onCommit={(node) => replace({ ...element, [end]: node })}
          />
        </td>
      ))}
      <td className="py-0.5">
        {element.kind === 'switch' ? (
          <button
            type="button"
            id={`value-${element.id}`}
            data-cell={`${element.id}:3`}
            aria-pressed={element.closed}
            className="figures min-h-8 w-full rounded-md border border-line bg-sheet px-1.5 text-right"
            onClick={() => replace({ ...element, closed: !element.closed })}
          >
            {element.closed ? 'closed' : 'open'}
          </button>
        ) : (
          quantity(main, 3, `value-${element.id}`)
        )}
      </td>
      <td className="py-0.5">{quantity(second, 4)}</td>
      <td className="py-0.5">{quantity(rating, 5)}</td>
      <td className="py-0.5 text-right text-[13px]">
        {quantity(measured, 6)}
        <OffBy element={element} />
      </td>
    </tr>
  );
});

/** A field, or its text while the row is out of sight. */
function Cell<T>({ live, ...field }: FieldProps<T> & { readonly live: boolean }) {
  if (live) return <ValueField {...field} />;
  const { shown, placeholder, align } = field;
  return (
    <span
      className={clsx(
        'figures block min-h-8 border border-transparent px-1.5 py-0.5 leading-[1.6] whitespace-nowrap',
        align === 'right' && 'text-right',
      )}
    >
      {shown || <span className="text-soft">{placeholder}</span>}
    </span>
  );
}

/** Room around the visible part in which rows have their fields, so that Tab finds the next one. */
const nearby = '320px 0px';

/** Makes a part the one that commands act on; other selected parts stay selected. */
function select(id: string, add: boolean): void {
  const { parts, selectPart } = useSelection.getState();
  if (add || !parts.includes(id) || parts.length === 1) selectPart(id, add);
}
