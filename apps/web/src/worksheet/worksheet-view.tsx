import { solveWorksheet, type WorksheetResult } from '@usual-drag/core/worksheet';
import { useMemo, useState } from 'react';
import { Note } from '../ui/note.tsx';
import { Segments } from '../ui/segments.tsx';
import { SheetFiles } from './sheet-files.tsx';
import { SheetGroups } from './sheet-groups.tsx';
import { SheetPicture } from './sheet-picture.tsx';
import { SheetSteps } from './sheet-steps.tsx';
import { useSheet } from './sheet-store.ts';
import { SheetTable } from './sheet-table.tsx';
import { missingWords } from './sheet-words.ts';

/** A table of parts to be filled with what is given; everything that follows appears with the rule that gave it. */
export function WorksheetView() {
  const sheet = useSheet((state) => state.sheet);
  const [other, setOther] = useState(false);
  const solved = useMemo(() => solveWorksheet(sheet), [sheet]);
  const result = solved.ok ? solved.value : null;
  const isOther = other && result?.alternative != null;
  return (
    <>
      <SheetFiles result={result} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="flex min-w-0 flex-col gap-3">
          <SheetTable
            sheet={sheet}
            values={isOther ? result.alternative : (result?.values ?? {})}
            steps={isOther ? [] : (result?.steps ?? [])}
            apart={result?.contradiction?.between ?? []}
          />
          {!solved.ok && <Note kind="limit">{solved.fault.message}</Note>}
          {result && <Verdict result={result} other={isOther} onOther={setOther} />}
          <SheetPicture sheet={sheet} />
        </div>
        <div className="flex min-w-0 flex-col gap-4">
          {result && <SheetSteps steps={result.steps} isContradicted={result.contradiction !== null} />}
          {solved.ok && <SheetGroups sheet={sheet} />}
        </div>
      </div>
    </>
  );
}

interface VerdictProps {
  readonly result: WorksheetResult;
  readonly other: boolean;
  readonly onOther: (other: boolean) => void;
}

/** State of completeness: missing values, and contradictions between the given ones. */
function Verdict({ result, other, onOther }: VerdictProps) {
  const { contradiction, alternative, complete, missing } = result;
  return (
    <div role="status" className="flex flex-col gap-2">
      {contradiction && (
        <Note kind="limit">
          <b>These values contradict each other.</b> {contradiction.text}
        </Note>
      )}
      {!contradiction && !complete && <p>Still missing: {missing.map(missingWords).join('; then ')}.</p>}
      {complete && !alternative && <p className="text-good">Complete: every value follows.</p>}
      {alternative && (
        <div className="flex flex-wrap items-center gap-3">
          <p>A power is given, and two circuits fit it.</p>
          <Segments
            label="Which circuit"
            value={other ? 'other' : 'one'}
            options={[
              { value: 'one', text: 'one' },
              { value: 'other', text: 'the other' },
            ]}
            onChange={(value) => onOther(value === 'other')}
          />
        </div>
      )}
    </div>
  );
}
