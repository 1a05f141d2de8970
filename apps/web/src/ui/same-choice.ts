interface Choices {
  readonly options: readonly { readonly value: string; readonly text: unknown }[];
}

/** Whether two drawings of a choice show the same: options are often made anew and say what they said before. */
export function sameChoice<Props extends Choices>(before: Props, now: Props): boolean {
  const { options: were, ...others } = before;
  const { options: are, ...rest } = now;
  return (
    were.length === are.length &&
    were.every(({ value, text }, index) => value === are[index]!.value && text === are[index]!.text) &&
    Object.keys({ ...others, ...rest }).every((key) =>
      Object.is(others[key as keyof typeof others], rest[key as keyof typeof rest]),
    )
  );
}
