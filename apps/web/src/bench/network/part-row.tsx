import { changeNetwork, editElement, replaceElement, type Element } from '@usual-drag/core';
import clsx from 'clsx';
import { memo } from 'react';
import { ValueField } from '../../ui/value-field.tsx';
import { useBench } from '../bench-store.ts';
import { useSelection } from '../selection.ts';
import { mainField, nameField, nodeField, secondField, tableFields } from './fields.ts';
import { OffBy } from './off-by.tsx';

interface RowProps {
  readonly element: Element;
  readonly selected: boolean;
}

/** A part's row. It is drawn again only when the part itself has changed. */
export const PartRow = memo(function PartRow({ element, selected }: RowProps) {
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
  const main = mainField(element);
  const second = secondField(element);
  const [rating, measured] = tableFields(element);
  const cell = (column: number): string => `${element.id}:${column}`;
  return (
    <tr
      className={clsx('border-b border-line/60', selected && 'bg-sunk')}
      aria-selected={selected}
      onFocus={() => select(element.id, false)}
      onClick={(event) => select(element.id, event.shiftKey || event.ctrlKey || event.metaKey)}
    >
      <td className="py-0.5 font-bold">
        <ValueField
          label={`Name of ${element.id}`}
          shown={element.id}
          read={(text) => nameField(useBench.getState().document.network, element.id)(text)}
          cell={cell(0)}
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
          <ValueField
            label={`${element.id} ${end}, a node that is there or a new one`}
            shown={element[end]}
            read={nodeField}
            cell={cell(1 + index)}
            onCommit={(node) => replace({ ...element, [end]: node })}
          />
        </td>
      ))}
      <td className="py-0.5">
        {element.kind === 'switch' ? (
          <button
            type="button"
            id={`value-${element.id}`}
            data-cell={cell(3)}
            aria-pressed={element.closed}
            className="figures min-h-8 w-full rounded-md border border-line bg-sheet px-1.5 text-right"
            onClick={() => replace({ ...element, closed: !element.closed })}
          >
            {element.closed ? 'closed' : 'open'}
          </button>
        ) : (
          main && (
            <ValueField
              id={`value-${element.id}`}
              label={`${main.label} of ${element.id}`}
              shown={main.shown}
              read={main.read}
              align="right"
              cell={cell(3)}
              onCommit={(value) => replace(main.put(value))}
            />
          )
        )}
      </td>
      <td className="py-0.5">
        {second && (
          <ValueField
            label={`${second.label} of ${element.id}`}
            shown={second.shown}
            read={second.read}
            align="right"
            placeholder="–"
            cell={cell(4)}
            onCommit={(value) => replace(second.put(value))}
          />
        )}
      </td>
      <td className="py-0.5">
        {rating && (
          <ValueField
            label={`${rating.label} of ${element.id}`}
            shown={rating.shown}
            read={rating.read}
            align="right"
            placeholder="–"
            cell={cell(5)}
            onCommit={(value) => replace(rating.put(value))}
          />
        )}
      </td>
      <td className="py-0.5 text-right text-[13px]">
        {measured && (
          <ValueField
            label={`${measured.label} of ${element.id}`}
            shown={measured.shown}
            read={measured.read}
            align="right"
            placeholder="–"
            cell={cell(6)}
            onCommit={(value) => replace(measured.put(value))}
          />
        )}
        <OffBy element={element} />
      </td>
    </tr>
  );
});

/** Takes a part in hand; of several that are selected the others stay so. */
function select(id: string, add: boolean): void {
  const { parts, selectPart } = useSelection.getState();
  if (add || !parts.includes(id) || parts.length === 1) selectPart(id, add);
}
