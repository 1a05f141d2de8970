import { keyNamesOf } from '../ui/key-names.ts';

/** The keys of a command as they are pressed, one after the other or together. */
export function Keys({ keys }: { readonly keys: string }) {
  return (
    <span className="inline-flex shrink-0 gap-1">
      {keyNamesOf(keys).map((key, index) => (
        <kbd
          key={`${key}${index}`}
          className="figures min-w-6 rounded border border-line bg-ground px-1.5 text-center text-[13px] text-soft"
        >
          {key}
        </kbd>
      ))}
    </span>
  );
}
