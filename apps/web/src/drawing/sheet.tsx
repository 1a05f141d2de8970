import { useCallback, useState, type ReactNode, type RefCallback } from 'react';

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** The size of an element, followed as it changes. */
export function useSize(): [RefCallback<HTMLElement>, Size] {
  const [size, setSize] = useState<Size>({ width: 720, height: 480 });
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) return;
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}

/** Below this a drawing is not shrunk by itself but scrolled. */
const smallest = 0.5;

/** By how much a drawing is shrunk to the width of its room. */
export const shrinkage = (drawing: Size, room: Size): number =>
  Math.min(1, Math.max(smallest, room.width / drawing.width));

/** The scale at which a whole drawing fits its room as long as it can be read. */
export const fittingScale = (drawing: Size, room: Size): number =>
  Math.min(shrinkage(drawing, room), Math.max(smallest, room.height / drawing.height));

interface Props extends Size {
  readonly label: string;
  /** Screen px for a px of the drawing. */
  readonly scale: number;
  readonly children: ReactNode;
}

/** A drawing at a scale. */
export function Sheet({ label, width, height, scale, children }: Props) {
  return (
    <svg
      role="group"
      aria-label={label}
      width={width * scale}
      height={height * scale}
      viewBox={`0 0 ${width} ${height}`}
      className="block select-none"
    >
      {children}
    </svg>
  );
}
