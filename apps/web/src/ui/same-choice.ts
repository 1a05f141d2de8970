interface Choices {
  readonly options: readonly { readonly value: string; readonly text: unknown }[];
}

/** Returns whether two drawings of a choice display the same: options are often made again with the same content. */
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
