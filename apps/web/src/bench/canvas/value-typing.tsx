import type { Network } from '@usual-drag/core/network';
import type { RailDrawing } from '@usual-drag/core/drawing';
import { stopTyping, useEditing } from '../model/editing.ts';
import { ValueEntry } from './value-entry.tsx';

interface Props {
  readonly drawing: RailDrawing;
  readonly network: Network;
  readonly scale: number;
  readonly room: number;
}

/** The field for a value that is typed in place, beside its part. */
export function Typing({ drawing, network, scale, room }: Props) {
  const typing = useEditing((state) => state.typing);
  const element = network.elements.find(({ id }) => id === typing);
  const part = drawing.parts.find((drawn) => drawn.element.id === typing);
  if (!element || !part) return null;
  return (
    <ValueEntry
      key={element.id}
      element={element}
      left={Math.max(0, Math.min(part.label.x * scale - 8, Math.max(room, drawing.width * scale) - 216))}
      top={Math.max(0, part.ySymbol * scale - 24)}
      onDone={() => {
        stopTyping();
        document.querySelector<SVGGElement>(`[data-part="${element.id}"]`)?.focus();
      }}
    />
  );
}
