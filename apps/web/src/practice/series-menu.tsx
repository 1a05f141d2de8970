import { newSeries, problemKinds, readSeries, type SetProblem } from '@usual-drag/core/practice';
import { ListChecks } from 'lucide-react';
import { useRef } from 'react';
import { ActionMenu } from '../ui/action-menu.tsx';
import { FileInput } from '../ui/file-input.tsx';
import { saveText } from '../ui/save-file.ts';
import { toast } from '../ui/toast.ts';
import { kindWords } from './kind-words.ts';
import { useSeries } from './use-series.ts';

interface Props {
  readonly asked: SetProblem;
  readonly onOpen: (set: SetProblem) => void;
}

/** Problems that a trainer sets as a file, and that others open. */
export function SeriesMenu({ asked, onOpen }: Props) {
  const file = useRef<HTMLInputElement>(null);
  const series = useSeries((state) => state.series);
  const { kind, level, seed } = asked;
  const save = (title: string, kinds: Parameters<typeof newSeries>[1]): void => {
    const made = newSeries(title, kinds, level, Math.max(10, kinds.length), seed);
    saveText(`${JSON.stringify(made, null, 2)}\n`, `${title}.series.json`, 'application/json');
  };
  const open = async (chosen: File): Promise<void> => {
    const read = readSeries(await chosen.text());
    if (!read.ok) return void toast.error(`${chosen.name}: ${read.fault}`, { duration: 15_000 });
    useSeries.setState({ series: read.value, at: 0 });
    onOpen(read.value.problems[0]!);
  };
  return (
    <>
      <FileInput
        ref={file}
        label="Series of problems to open"
        accept=".json,application/json"
        onTake={(chosen) => void open(chosen)}
      />
      <ActionMenu
        actions={[
          { text: 'Open a series', act: () => file.current?.click() },
          { text: 'Save ten like this as a series', act: () => save(`${kindWords[kind]}, level ${level}`, [kind]) },
          { text: 'Save one of every kind as a series', act: () => save(`All kinds, level ${level}`, problemKinds) },
          ...(series ? [{ text: 'Close the series', act: () => useSeries.setState({ series: null, at: 0 }) }] : []),
        ]}
      >
        <ListChecks aria-hidden size={16} /> Series
      </ActionMenu>
    </>
  );
}
