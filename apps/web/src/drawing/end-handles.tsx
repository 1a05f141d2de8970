import { toggleEnd, type AmmeterPlacement, type Meter, type Setup } from '@usual-drag/core/loading';
import type { RailDrawing } from '@usual-drag/core/drawing';

interface Props {
  readonly drawing: RailDrawing;
  readonly setup: Setup;
  readonly meter: AmmeterPlacement;
  readonly onPlace: (meter: Meter) => void;
}

/** Rings at every end that the chosen ammeter can lift off its rail, or has lifted. */
export function EndHandles({ drawing, setup, meter, onPlace }: Props) {
  const taken = new Set(
    setup.meters.flatMap((other) => (other.quantity === 'dc-current' && other.id !== meter.id ? other.ends : [])),
  );
  return drawing.parts.flatMap(({ element, x, yTop, yBottom, inverted, looped }) =>
    (['from', 'to'] as const).map((end) => {
      const name = `${element.id}.${end}`;
      if (taken.has(name)) return null;
      const upper = (end === 'from') !== inverted;
      const y = upper ? yTop + 13 : looped ? yTop + 13 : yBottom - 13;
      const lifted = meter.node === element[end] && meter.ends.includes(name);
      const lift = (): void => onPlace(toggleEnd(meter, element[end], name));
      return (
        <g
          key={name}
          role="checkbox"
          tabIndex={0}
          aria-checked={lifted}
          aria-label={`Lift ${element.id} off ${element[end]}`}
          className="group cursor-pointer focus:outline-none"
          onClick={lift}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            lift();
          }}
        >
          <circle cx={looped && !upper ? x + 32 : x} cy={y} r={13} fill="transparent" />
          <circle
            cx={looped && !upper ? x + 32 : x}
            cy={y}
            r={6}
            fill={lifted ? 'var(--ochre-line)' : 'var(--sheet)'}
            stroke="var(--ochre-line)"
            strokeWidth={2}
            className="group-hover:fill-(--sunk) group-focus-visible:[stroke-width:5]"
          />
        </g>
      );
    }),
  );
}
