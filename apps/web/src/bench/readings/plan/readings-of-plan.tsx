import { matchRows, placeOf, type MatchedRow, type UnmatchedRow } from '@usual-drag/core/plan';
import { addReading, nextReadingId } from '@usual-drag/core/job';
import type { Reading } from '@usual-drag/core/readings';
import { useMemo, useRef, useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { csvRows } from '../../../ui/csv.ts';
import { FileInput } from '../../../ui/file-input.tsx';
import { usePerson } from '../../../ui/person.ts';
import { count } from '../../../ui/words.ts';
import { benchNow } from '../../model/bench-store.ts';
import { useReadingEntry } from '../../model/reading-entry.ts';
import { sayUndoable } from '../../model/say-undoable.ts';
import { placedAt } from '../entry/keep-reading.ts';
import type { Readings } from '../use-readings.ts';

const close = (): void => useReadingEntry.setState({ listed: null });

/** Readings of a whole plan, pasted or from a file: each row at its step, and those that belong to none with the reason. */
export function ReadingsOfPlan({ readings }: { readonly readings: Readings }) {
  const text = useReadingEntry((state) => state.listed) ?? '';
  const setText = (listed: string): void => useReadingEntry.setState({ listed });
  const [fault, setFault] = useState<string | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const { steps } = readings;
  const { network } = benchNow().document;
  const { matched, unmatched } = useMemo(
    () => matchRows(csvRows(text), { steps, network, readings: readings.readings }),
    [text, steps, network, readings.readings],
  );
  const keep = (): void => {
    keepAll(matched);
    sayUndoable(`${count(matched.length, 'reading')} kept.`);
    setText(unmatched.map((row) => row.text).join('\n'));
    if (unmatched.length === 0) close();
  };
  return (
    <section aria-label="Readings of the whole plan" className="flex flex-col gap-2">
      <label htmlFor="readings-of-plan" className="font-bold">
        Readings of the whole plan
      </label>
      <p className="text-[14px] text-soft">
        One reading a row: the nodes, the part or the number of the step, then the display.
      </p>
      <textarea
        id="readings-of-plan"
        autoFocus
        rows={7}
        spellCheck={false}
        data-typing="true"
        className="figures rounded-xl border-2 border-line bg-sheet p-2 text-[15px]"
        placeholder={'B to 0\t6.33 V\nR2\t38.8 kΩ\nR4\t148 µA'}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="flex flex-wrap gap-2">
        <Button tone="strong" disabled={matched.length === 0} onClick={keep}>
          Keep {count(matched.length, 'reading')}
        </Button>
        <Button onClick={() => file.current?.click()}>Choose a file</Button>
        <Button onClick={close}>Close</Button>
      </div>
      <FileInput
        ref={file}
        label="File of readings"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        onTake={(one) =>
          void one
            .text()
            .then((content) => {
              setFault(null);
              setText(content);
            })
            .catch(() => setFault('The file cannot be read. Choose it again, or paste its rows.'))
        }
      />
      {fault && (
        <p role="alert" className="text-fault">
          {fault}
        </p>
      )}
      <Unmatched rows={unmatched} />
      <Matched rows={matched} />
    </section>
  );
}

function Unmatched({ rows }: { readonly rows: readonly UnmatchedRow[] }) {
  if (rows.length === 0) return null;
  return (
    <div role="alert">
      <ul aria-label="Rows that belong to no step" className="text-[14px] text-fault">
        {rows.map(({ row, text, message }) => (
          <li key={row}>
            Row {row}, <span className="figures">{text}</span>: {message}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Matched({ rows }: { readonly rows: readonly MatchedRow[] }) {
  if (rows.length === 0) return null;
  return (
    <ul aria-label="Rows at their steps" className="rounded-xl border border-line bg-sheet px-3 py-1 text-[15px]">
      {rows.map(({ row, step, observation, isReversed }) => (
        <li key={row} className="flex justify-between gap-3 py-0.5">
          <span>
            {placeOf(step)}
            {isReversed && ', leads exchanged'}
          </span>
          <b className="figures">
            {observation.shown} {observation.unit}
          </b>
        </li>
      ))}
    </ul>
  );
}

/** Stores the rows as readings of their steps, in one edit. */
function keepAll(rows: readonly MatchedRow[]): void {
  const { document, edit } = benchNow();
  const { person } = usePerson.getState();
  const by = person === '' ? document.record?.by : person;
  edit((job) =>
    rows.reduce((now, { step, observation, isReversed }) => {
      const place = placedAt(step);
      const turned =
        isReversed && place.quantity === 'dc-voltage' ? { ...place, red: place.black, black: place.red } : place;
      const reading: Reading = {
        id: nextReadingId(now.readings ?? []),
        ...turned,
        observations: [observation],
        ...(by && { by }),
      };
      return addReading(now, reading);
    }, job),
  );
}
