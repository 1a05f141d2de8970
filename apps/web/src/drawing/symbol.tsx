import type { Element } from '@usual-drag/core';

interface Props {
  readonly element: Element;
  /** The end called `from` is the lower one. */
  readonly inverted: boolean;
}

const line = { stroke: 'var(--ink)', strokeWidth: 2, fill: 'none' } as const;

/** Half the height that a symbol takes out of its line. */
export function symbolHalf(element: Element): number {
  switch (element.kind) {
    case 'source':
      return 5;
    case 'switch':
      return 12;
    case 'link':
      return 0;
    default:
      return element.kind === 'resistor' ? 22 : 17;
  }
}

/** A part's symbol (IEC 60617), centred on 0,0 with its line vertical. */
export function Symbol({ element, inverted }: Props) {
  switch (element.kind) {
    case 'resistor':
      return <rect x={-9} y={-22} width={18} height={44} rx={1.5} {...line} fill="var(--sheet)" />;
    case 'source': {
      const up = inverted ? -1 : 1;
      return (
        <g transform={`scale(1 ${up})`}>
          <path d="M-16-5h32" {...line} strokeWidth={2.5} />
          <path d="M-8 5h16" {...line} strokeWidth={5} />
          <path d="M-25-13h8M-21-17v8" {...line} strokeWidth={2} />
        </g>
      );
    }
    case 'current-source':
      return (
        <g transform={inverted ? 'scale(1 -1)' : undefined}>
          <circle r={17} {...line} fill="var(--sheet)" />
          <path d="M-17 0h34" {...line} />
          <path d="M-24 12v-22m-4 6 4-7 4 7" {...line} strokeWidth={1.8} />
        </g>
      );
    case 'load':
      return (
        <g>
          <circle r={17} {...line} fill="var(--sheet)" />
          <path d="M-12-12l24 24M12-12l-24 24" {...line} />
        </g>
      );
    case 'switch':
      return (
        <g>
          <circle cy={-12} r={3} {...line} fill="var(--sheet)" />
          <circle cy={12} r={3} {...line} fill="var(--sheet)" />
          <path d={element.closed ? 'M0 9V-9' : 'M0 9L13-10'} {...line} strokeWidth={2.5} />
        </g>
      );
    case 'link':
      return null;
  }
}
