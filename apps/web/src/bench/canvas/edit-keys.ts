import { nodesOf } from '@usual-drag/core';
import { useHotkeys } from 'react-hotkeys-hook';
import { benchNow } from '../model/bench-store.ts';
import { useCommands, type Command } from '../../ui/commands.ts';
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

const onPart = (run: (part: string) => void) => (): void => {
  const part = useSelection.getState().parts.at(-1);
  if (part !== undefined && !useEditing.getState().aim) run(part);
};
const onRail = (run: (rail: string) => void) => (): void => {
  const { rail } = useSelection.getState();
  if (rail !== null && !useEditing.getState().aim) run(rail);
};

function moveAnEnd(): void {
  const { aim: now } = useEditing.getState();
  if (now?.verb === 'move') aim({ ...now, end: now.end === 'to' ? 'from' : 'to' });
  else onPart((part) => aim({ verb: 'move', part, end: 'to' }))();
}

/** What can be done with what is selected in the drawing. */
const editCommands: readonly Command[] = [
  { group: 'Selection', text: 'Type the value of the part', keys: 'V', run: onPart(startTyping) },
  { group: 'Selection', text: 'Add a part in series', keys: 'S', run: onPart((part) => addBeside(part, 'series')) },
  { group: 'Selection', text: 'Add a part in parallel', keys: 'P', run: onPart((part) => addBeside(part, 'parallel')) },
  { group: 'Selection', text: 'Move an end of the part', keys: 'M', run: moveAnEnd },
  { group: 'Selection', text: 'Swap the ends of the part', keys: 'X', run: onPart(swap) },
  {
    group: 'Selection',
    text: 'Add a part from the rail',
    keys: 'A',
    run: onRail((rail) => aim({ verb: 'add', rail })),
  },
  {
    group: 'Selection',
    text: 'Join the rail with another',
    keys: 'J',
    run: onRail((rail) => aim({ verb: 'join', rail })),
  },
  { group: 'Selection', text: 'Copy the parts', keys: 'Ctrl C', run: () => copy(useSelection.getState().parts) },
  { group: 'Selection', text: 'Paste parts', keys: 'Ctrl V', run: paste },
  { group: 'Selection', text: 'Remove the parts', keys: 'Del', run: () => remove(useSelection.getState().parts) },
];

/**
 * The keys of direct editing: they act on what is selected, outside of fields.
 *
 * @param rails  the rails from the top down, in which an aim moves
 */
export function useEditKeys(rails: readonly string[]): void {
  useCommands('editing', editCommands);
  const options = { preventDefault: true };
  useHotkeys(
    editCommands.flatMap(({ keys }) => (keys?.length === 1 ? keys.toLowerCase() : [])),
    (_event, { hotkey }) => editCommands.find(({ keys }) => keys?.toLowerCase() === hotkey)?.run(),
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
