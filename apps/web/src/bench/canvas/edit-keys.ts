import { nodesOf } from '@usual-drag/core';
import { useHotkeys } from 'react-hotkeys-hook';
import { benchNow } from '../model/bench-store.ts';
import { useSelection } from '../model/selection.ts';
import {
  addBeside,
  aim,
  aimAt,
  cancelAim,
  copy,
  land,
  newNodeName,
  paste,
  remove,
  startTyping,
  swap,
  useEditing,
} from '../model/editing.ts';

/**
 * The keys of direct editing: they act on what is selected, outside of fields.
 *
 * @param rails  the rails from the top down, in which an aim moves
 */
export function useEditKeys(rails: readonly string[]): void {
  const onPart = (run: (part: string) => void) => (): void => {
    const part = useSelection.getState().parts.at(-1);
    if (part !== undefined && !useEditing.getState().aim) run(part);
  };
  const onRail = (run: (rail: string) => void) => (): void => {
    const { rail } = useSelection.getState();
    if (rail !== null && !useEditing.getState().aim) run(rail);
  };
  const options = { preventDefault: true };
  useHotkeys('v', onPart(startTyping), options);
  useHotkeys(
    's',
    onPart((part) => addBeside(part, 'series')),
    options,
  );
  useHotkeys(
    'p',
    onPart((part) => addBeside(part, 'parallel')),
    options,
  );
  useHotkeys('x', onPart(swap), options);
  useHotkeys(
    'a',
    onRail((rail) => aim({ verb: 'add', rail })),
    options,
  );
  useHotkeys(
    'j',
    onRail((rail) => aim({ verb: 'join', rail })),
    options,
  );
  useHotkeys(
    'm',
    () => {
      const { aim: now } = useEditing.getState();
      if (now?.verb === 'move') aim({ ...now, end: now.end === 'to' ? 'from' : 'to' });
      else onPart((part) => aim({ verb: 'move', part, end: 'to' }))();
    },
    options,
  );
  useHotkeys(
    'n',
    () => {
      const { aim: now } = useEditing.getState();
      if (now && now.verb !== 'join') land(newNodeName());
    },
    options,
  );
  useHotkeys('delete, backspace', () => remove(useSelection.getState().parts), options);
  useHotkeys('mod+c', () => copy(useSelection.getState().parts), { preventDefault: false });
  useHotkeys('mod+v', paste, { preventDefault: false });
  useHotkeys('escape', () => (useEditing.getState().aim ? cancelAim() : useSelection.getState().clear()));
  useHotkeys('up, down', (event) => {
    const { aim: now, at } = useEditing.getState();
    if (!now) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    const step = event.key === 'ArrowUp' ? -1 : 1;
    const next = rails[Math.min(rails.length - 1, Math.max(0, rails.indexOf(at ?? '') + step))];
    if (next !== undefined) aimAt(next);
  });
  useHotkeys('enter', (event) => {
    const { aim: now, at } = useEditing.getState();
    if (now && at !== null && nodesOf(benchNow().document.network).includes(at)) {
      event.preventDefault();
      land(at);
      return;
    }
    const target = event.target as Element | null;
    if (target?.closest('button, a, [role="button"]:not([data-part])')) return;
    onPart(startTyping)();
  });
}
