const stroke = { fill: 'none', stroke: 'currentColor', strokeWidth: 2.2, strokeLinecap: 'round' } as const;

/** A pile of job sheets. */
export const JobsSign = () => (
  <svg aria-hidden width={24} height={24} viewBox="0 0 24 24">
    <path d="M5 6h14M5 12h14M5 18h9" {...stroke} />
  </svg>
);

/** Two rails with a part between them. */
export const BenchSign = () => (
  <svg aria-hidden width={24} height={24} viewBox="0 0 24 24">
    <path d="M3 4h18M3 20h18M9 4v4M9 16v4M17 4v16" {...stroke} />
    <rect x={6.5} y={8} width={5} height={8} rx={1} {...stroke} />
  </svg>
);

/** A shelf with two instruments on it. */
export const KitSign = () => (
  <svg aria-hidden width={24} height={24} viewBox="0 0 24 24">
    <path d="M2 20h20M4 20V9h7v11M14 20v-8h6v8M6.5 12.5h2" {...stroke} />
    <circle cx={17} cy={15} r={0.8} {...stroke} />
  </svg>
);

/** A sagging rail lifted back to where it was. */
export const CorrectSign = () => (
  <svg aria-hidden width={24} height={24} viewBox="0 0 24 24">
    <path d="M3 6h18" strokeDasharray="3 3.4" {...stroke} />
    <path d="M3 19h18M12 16v-7M9 12l3-3 3 3" {...stroke} />
  </svg>
);

/** A needle over its arc. */
export const WorkshopSign = () => (
  <svg aria-hidden width={24} height={24} viewBox="0 0 24 24">
    <path d="M3 15a9.5 9.5 0 0 1 18 0M12 20l5-11" {...stroke} />
    <circle cx={12} cy={20} r={1} {...stroke} />
  </svg>
);

/** A page with a rail and its sag. */
export const LearnSign = () => (
  <svg aria-hidden width={24} height={24} viewBox="0 0 24 24">
    <path d="M4 3h16v18H4zM8 8h8M8 15c2.5 3 5.5 3 8 0" {...stroke} />
  </svg>
);

/** A question answered with a tick. */
export const PracticeSign = () => (
  <svg aria-hidden width={24} height={24} viewBox="0 0 24 24">
    <path d="M4 6h16M4 12h7M4 18h7M14 16l3 3 5-7" {...stroke} />
  </svg>
);
