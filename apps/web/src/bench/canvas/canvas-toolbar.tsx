import clsx from 'clsx';
import { memo, useMemo } from 'react';
import { toast } from '../../ui/toast.ts';
import type { Zoom } from '../../drawing/zoom.ts';
import { ActionMenu, type MenuAction } from '../../ui/action-menu.tsx';
import {
  Activity,
  Download,
  Ellipsis,
  Maximize2,
  Minimize2,
  Minus,
  MoveVertical,
  Plus,
  Scan,
  Sparkles,
} from 'lucide-react';
import { useCommands, type Command } from '../../ui/commands.ts';
import { codeLater } from '../../ui/fetched-later.ts';
import { useDisplay } from './display.ts';

interface Props {
  readonly zoom: Zoom;
  /** The drawing has the whole sheet, the panel is hidden. */
  readonly whole: boolean;
  readonly onWhole: () => void;
  readonly onTidy: () => void;
  /** px of the sheet from which all tools have room beside the tabs; below they are in a menu. */
  readonly roomFrom: 'narrow' | 'wide';
  /** The strip board is shown: it has a size and no layout. */
  readonly onBoard: boolean;
}

interface Tool {
  readonly text: string;
  readonly Sign: typeof Minus;
  readonly act: () => void;
  /** Left out if it is no switch. */
  readonly on?: boolean;
  /** It changes how the network is laid out. */
  readonly ofLayout?: true;
}

const drawingSaver = codeLater(async () => (await import('./save-drawing.ts')).saveDrawing);

const exports: readonly MenuAction[] = (['svg', 'png'] as const).map((type) => ({
  text: `Export as ${type.toUpperCase()}`,
  act: () =>
    void drawingSaver()
      .then((save) => save(type))
      .catch((fault: Error) => toast.error(fault.message)),
}));

function useTools({ zoom, whole, onWhole, onTidy }: Omit<Props, 'roomFrom' | 'onBoard'>): readonly Tool[] {
  const { spacing, resistor, set } = useDisplay();
  return useMemo(() => {
    const shown = (): number => Number(document.querySelector<HTMLElement>('.drawing')?.dataset.scale ?? 1);
    const toScale = spacing === 'scale';
    const zigzag = resistor === 'zigzag';
    return [
      {
        text: 'Rails to scale',
        Sign: MoveVertical,
        ofLayout: true,
        on: toScale,
        act: () => set({ spacing: toScale ? 'even' : 'scale' }),
      },
      {
        text: 'Resistors as zigzag',
        Sign: Activity,
        ofLayout: true,
        on: zigzag,
        act: () => set({ resistor: zigzag ? 'box' : 'zigzag' }),
      },
      { text: 'Zoom out', Sign: Minus, act: () => zoom.step(shown(), -1) },
      { text: 'Fit the drawing', Sign: Scan, act: zoom.fit },
      { text: 'Zoom in', Sign: Plus, act: () => zoom.step(shown(), 1) },
      { text: 'Tidy the layout', Sign: Sparkles, act: onTidy, ofLayout: true },
      { text: whole ? 'Show the panel (F)' : 'Full sheet (F)', Sign: whole ? Minimize2 : Maximize2, act: onWhole },
    ];
  }, [zoom, whole, onWhole, onTidy, spacing, resistor, set]);
}

/** Tools for the display and the export of the drawing: one row, or one menu if there is no room. */
export const CanvasToolbar = memo(function CanvasToolbar({ roomFrom, onBoard, ...rest }: Props) {
  const { whole, onWhole } = rest;
  const all = useTools(rest);
  const tools = useMemo(() => (onBoard ? all.filter(({ ofLayout }) => !ofLayout) : all), [all, onBoard]);
  const commands = useMemo(
    () =>
      [...tools.slice(0, -1), ...(onBoard ? [] : exports)].map(({ text, act }): Command => ({
        group: 'Actions',
        text,
        run: act ?? (() => undefined),
      })),
    [tools, onBoard],
  );
  useCommands('drawing', commands);
  const quiet = 'inline-flex size-9 items-center justify-center rounded-lg hover:bg-sunk pointer-coarse:size-11';
  return (
    <div role="toolbar" aria-label="Drawing" className="flex shrink-0 items-center py-1">
      <div className={clsx('hidden items-center', roomFrom === 'narrow' ? '@min-[640px]:flex' : '@min-[820px]:flex')}>
        {tools.map(({ text, Sign, act, on }) => (
          <button
            key={text}
            type="button"
            aria-label={text}
            title={text}
            {...(on !== undefined && { 'aria-pressed': on })}
            onClick={act}
            className={clsx(quiet, on && 'bg-sunk text-ochre')}
          >
            <Sign aria-hidden size={17} />
          </button>
        ))}
        {!onBoard && (
          <ActionMenu label="Export the drawing" className={quiet} actions={exports}>
            <Download aria-hidden size={17} />
          </ActionMenu>
        )}
      </div>
      <button
        type="button"
        aria-label={whole ? 'Show the panel' : 'Full screen'}
        onClick={onWhole}
        className={clsx(quiet, 'sm:hidden')}
      >
        {whole ? <Minimize2 aria-hidden size={17} /> : <Maximize2 aria-hidden size={17} />}
      </button>
      <div className={roomFrom === 'narrow' ? '@min-[640px]:hidden' : '@min-[820px]:hidden'}>
        <ActionMenu
          label="Drawing"
          className={quiet}
          actions={[
            ...tools.map(({ text, act, on }) => ({ text, act, ...(on !== undefined && { on }) })),
            ...(onBoard ? [] : exports),
          ]}
        >
          <Ellipsis aria-hidden size={18} />
        </ActionMenu>
      </div>
    </div>
  );
});
