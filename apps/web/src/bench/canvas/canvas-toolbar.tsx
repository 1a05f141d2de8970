import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Download, Maximize2, Minimize2, Minus, Plus, Scan, Sparkles } from 'lucide-react';
import { memo, type ReactNode } from 'react';
import { toast } from 'sonner';
import type { Zoom } from '../../drawing/zoom.ts';
import { Segments } from '../../ui/segments.tsx';
import { useDisplay } from './display.ts';
import { saveDrawing } from './save-drawing.ts';

interface Props {
  readonly zoom: Zoom;
  /** The drawing has the whole sheet, the panel is hidden. */
  readonly whole: boolean;
  readonly onWhole: () => void;
  readonly onTidy: () => void;
}

/** How the drawing is shown, and where it can be taken. */
export const CanvasToolbar = memo(function CanvasToolbar({ zoom, whole, onWhole, onTidy }: Props) {
  const { spacing, resistor, set } = useDisplay();
  const shown = (): number => Number(document.querySelector<HTMLElement>('.drawing')?.dataset.scale ?? 1);
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-2 gap-y-1 px-4 py-2">
      <Segments
        label="Spacing of the rails"
        value={spacing}
        options={[
          { value: 'scale', text: 'To scale' },
          { value: 'even', text: 'Even' },
        ]}
        onChange={(next) => set({ spacing: next })}
      />
      <Segments
        label="Resistors drawn as"
        value={resistor}
        options={[
          { value: 'box', text: 'Box' },
          { value: 'zigzag', text: 'Zigzag' },
        ]}
        onChange={(next) => set({ resistor: next })}
      />
      <div className="flex items-center">
        <Tool label="Smaller" onClick={() => zoom.step(shown(), -1)}>
          <Minus aria-hidden size={17} />
        </Tool>
        <Tool label="Fit the drawing" onClick={zoom.fit}>
          <Scan aria-hidden size={17} />
        </Tool>
        <Tool label="Larger" onClick={() => zoom.step(shown(), 1)}>
          <Plus aria-hidden size={17} />
        </Tool>
        <Tool label="Tidy: lay it out anew" onClick={onTidy}>
          <Sparkles aria-hidden size={17} />
        </Tool>
        <Tool label={whole ? 'Bring the panel back' : 'Whole sheet (F)'} onClick={onWhole}>
          {whole ? <Minimize2 aria-hidden size={17} /> : <Maximize2 aria-hidden size={17} />}
        </Tool>
        <SaveMenu />
      </div>
    </div>
  );
});

function SaveMenu() {
  return (
    <Menu>
      <MenuButton
        aria-label="Save the drawing"
        title="Save the drawing"
        className="inline-flex size-9 items-center justify-center rounded-lg hover:bg-sunk"
      >
        <Download aria-hidden size={17} />
      </MenuButton>
      <MenuItems
        anchor={{ to: 'bottom start', gap: 4 }}
        className="z-30 rounded-lg border border-line bg-sheet p-1 shadow-lg focus:outline-none"
      >
        {(['svg', 'png'] as const).map((type) => (
          <MenuItem key={type}>
            <button
              type="button"
              className="block min-h-9 w-full rounded-md px-3 text-left data-focus:bg-sunk"
              onClick={() => void saveDrawing(type).catch((fault: Error) => toast.error(fault.message))}
            >
              as {type.toUpperCase()}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

interface ToolProps {
  readonly label: string;
  readonly onClick: () => void;
  readonly children: ReactNode;
}

function Tool({ label, onClick, children }: ToolProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onClick}
      className="inline-flex size-9 items-center justify-center rounded-lg hover:bg-sunk"
    >
      {children}
    </button>
  );
}
