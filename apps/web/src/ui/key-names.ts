/** Returns the alternatives of a command's keys: `mod+y, mod+shift+z` has two. */
export const alternativesOf = (keys: string | undefined): string[] => keys?.split(', ') ?? [];

/** Names of keys that are not written as their capital letter. */
const keyNames: Readonly<Record<string, string>> = {
  mod: 'Ctrl',
  shift: 'Shift',
  alt: 'Alt',
  pagedown: 'Page Down',
  pageup: 'Page Up',
  home: 'Home',
  delete: 'Del',
  escape: 'Esc',
  enter: 'Enter',
  left: '←',
  right: '→',
  up: '↑',
  down: '↓',
};

/** Returns the names of the keys of a command's first alternative, in the order in which they are pressed. */
export const keyNamesOf = (keys: string): string[] =>
  alternativesOf(keys)[0]!
    .split(/[+>]/)
    .map((key) => keyNames[key] ?? key.toUpperCase());
