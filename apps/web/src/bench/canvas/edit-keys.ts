import { nodesOf } from '@usual-drag/core/network';
import { useMemo } from 'react';
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

/** Commands for the selection in the drawing. */
const editCommands: readonly Command[] = [
  { group: 'Selection', text: 'Type the value of the part', keys: 'v', run: onPart(startTyping) },
  { group: 'Selection', text: 'Add a part in series', keys: 's', run: onPart((part) => addBeside(part, 'series')) },
  { group: 'Selection', text: 'Add a part in parallel', keys: 'p', run: onPart((part) => addBeside(part, 'parallel')) },
  { group: 'Selection', text: 'Move an end of the part', keys: 'm', run: moveAnEnd },
  { group: 'Selection', text: 'Swap the ends of the part', keys: 'x', run: onPart(swap) },
  {
    group: 'Selection',
    text: 'Add a part from the rail',
    keys: 'a',
    run: onRail((rail) => aim({ verb: 'add', rail })),
  },
  {
    group: 'Selection',
    text: 'Join the rail with another',
    keys: 'j',
    run: onRail((rail) => aim({ verb: 'join', rail })),
  },
  {
    group: 'Selection',
    text: 'Copy the parts',
    keys: 'mod+c',
    keepsDefault: true,
    run: () => copy(useSelection.getState().parts),
  },
  { group: 'Selection', text: 'Paste parts', keys: 'mod+v', keepsDefault: true, run: () => paste() },
  {
    group: 'Selection',
    text: 'Remove the parts',
    keys: 'delete, backspace',
    run: () => remove(useSelection.getState().parts),
  },
];

/** Keys while a rail is being chosen, and of what is selected. */
const keyCommands = (rails: readonly string[]): readonly Command[] => [
  {
    group: 'Selection',
    text: 'End at a new node',
    keys: 'n',
    keysOnly: true,
    run: () => {
      const { aim: now } = useEditing.getState();
      if (now && now.verb !== 'join') land(newNodeName());
    },
  },
  {
    group: 'Selection',
    text: 'Cancel, or clear the selection',
    keys: 'escape',
    keepsDefault: true,
    keysOnly: true,
    run: () => (useEditing.getState().aim ? cancelAim() : useSelection.getState().clear()),
  },
  {
    group: 'Selection',
    text: 'Choose a rail',
    keys: 'up, down',
    keepsDefault: true,
    keysOnly: true,
    run: (event) => {
      const { aim: now, at } = useEditing.getState();
      if (!now || !event) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const step = event.key === 'ArrowUp' ? -1 : 1;
      const next = rails[Math.min(rails.length - 1, Math.max(0, rails.indexOf(at ?? '') + step))];
      if (next !== undefined) aimAt(next);
    },
  },
  {
    group: 'Selection',
    text: 'End at the chosen rail, or type the value',
    keys: 'enter',
    keepsDefault: true,
    keysOnly: true,
    run: (event) => {
      const { aim: now, at } = useEditing.getState();
      if (now && at !== null && nodesOf(benchNow().document.network).includes(at)) {
        event?.preventDefault();
        land(at);
        return;
      }
      const target = event?.target as Element | null | undefined;
      if (target?.closest('button, a, [role="button"]:not([data-part])')) return;
      onPart(startTyping)();
    },
  },
];

/**
 * The keys of direct editing: they act on what is selected, outside of fields.
 *
 * @param rails  the rails from the top down, among which an aim moves
 */
export function useEditKeys(rails: readonly string[]): void {
  useCommands(
    'editing',
    useMemo(() => [...editCommands, ...keyCommands(rails)], [rails]),
  );
}
