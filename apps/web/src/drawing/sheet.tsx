import { useCallback, useState, type ReactNode, type RefCallback } from 'react';
import type { Size } from './fitting.ts';

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
