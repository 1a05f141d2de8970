/** A button, tab or choice of the open screen. */
export interface ScreenControl {
  /** Accessible name; that of a radio begins with the name of its group. */
  readonly name: string;
  readonly element: HTMLElement | SVGElement;
}

const controls =
  'button, summary, a[download], input[type="file"], [role="button"], [role="tab"], [role="radio"], [role="switch"]';

/** Returns the visible, enabled controls of the page and the title bar, each name once. */
export function screenControls(): ScreenControl[] {
  const found = new Map<string, ScreenControl>();
  for (const element of document.querySelectorAll<HTMLElement | SVGElement>(`#root :is(${controls})`)) {
    const name = nameOf(element);
    if (name && !found.has(name) && isUsable(element)) found.set(name, { name, element });
  }
  return [...found.values()];
}

function nameOf(element: HTMLElement | SVGElement): string {
  const own = textOf(element.getAttribute('aria-labelledby')) ?? element.ariaLabel ?? visibleText(element);
  const group = element.role === 'radio' ? element.closest<HTMLElement>('[role="radiogroup"]') : null;
  const of = group && (group.ariaLabel ?? textOf(group.getAttribute('aria-labelledby')));
  return (of ? `${of}: ${own}` : own).replace(/\s+/g, ' ').trim();
}

/** Returns the text of an element without parts hidden from screen readers, with spaces between its child elements. */
function visibleText(element: Element): string {
  const texts = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  let text = '';
  let last: Element | null = null;
  while (texts.nextNode()) {
    const parent = texts.currentNode.parentElement!;
    if (parent.closest('[aria-hidden="true"]')) continue;
    text += (parent === last ? '' : ' ') + texts.currentNode.nodeValue!;
    last = parent;
  }
  return text;
}

const textOf = (ids: string | null): string | null =>
  ids &&
  (ids
    .split(' ')
    .flatMap((id) => document.getElementById(id)?.textContent ?? [])
    .join(' ') ||
    null);

const isUsable = (element: Element): boolean =>
  !element.matches(':disabled, [aria-disabled="true"]') &&
  element.closest('[inert], [aria-hidden="true"]') === null &&
  (element.checkVisibility?.({ visibilityProperty: true }) ?? true);
