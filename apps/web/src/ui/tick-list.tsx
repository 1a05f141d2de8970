interface Props {
  readonly label: string;
  readonly tasks: readonly { readonly text: string; readonly done: boolean }[];
  readonly onTick: (text: string) => void;
}

/** Tasks under a heading, each with a box to tick. */
export const TickList = ({ label, tasks, onTick }: Props) => (
  <section aria-label={label}>
    <h2 className="mb-1 text-[17px] font-bold">{label}</h2>
    <ul className="flex flex-col rounded-xl border border-line bg-sheet px-3 py-1">
      {tasks.map(({ text, done }) => (
        <li key={text}>
          <label className="flex min-h-9 items-center gap-2.5 pointer-coarse:min-h-11">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-(--ochre-line)"
              checked={done}
              onChange={() => onTick(text)}
            />
            {text}
          </label>
        </li>
      ))}
    </ul>
  </section>
);
