import {
  addElement,
  addInParallel,
  insertInSeries,
  joinNodes,
  moveEnd,
  newElement,
  nextNode,
  pasteElements,
  removeElements,
  splitNode,
  swapEnds,
  type Element,
  type Network,
} from '@usual-drag/core/network';
import { changeNetwork } from '@usual-drag/core/job';
import { toast } from '../../ui/toast.ts';
import { create } from 'zustand';
import { benchNow } from './bench-store.ts';
import { sayUndoable } from './say-undoable.ts';
import { useSelection } from './selection.ts';

/** Edit that waits for a rail to be chosen. */
export type Aim =
  | { readonly verb: 'move'; readonly part: string; readonly end: 'from' | 'to' }
  | { readonly verb: 'join'; readonly rail: string }
  | { readonly verb: 'add'; readonly rail: string };

interface Editing {
  readonly aim: Aim | null;
  /** The rail that the aim is at now. */
  readonly at: string | null;
  /** The line is being typed: the drawing follows at once, the tables as soon as there is time. */
  readonly line: boolean;
  /** The part whose value is being typed in place. */
  readonly typing: string | null;
  readonly copied: { readonly elements: readonly Element[]; readonly whole: Network } | null;
}

/** An edit of the drawing that is under way. */
export const useEditing = create<Editing>()(() => ({
  aim: null,
  at: null,
  line: false,
  typing: null,
  copied: null,
}));

const network = (): Network => benchNow().document.network;
const change = (next: Network): void => benchNow().edit((job) => changeNetwork(job, next));
const select = (id: string): void => useSelection.getState().selectPart(id);

export const startTyping = (part: string): void => useEditing.setState({ typing: part, aim: null });
export const stopTyping = (): void => useEditing.setState({ typing: null });
export const cancelAim = (): void => useEditing.setState({ aim: null, at: null });
export const aimAt = (node: string): void => useEditing.setState({ at: node });

/** Begins an edit that ends on a rail, aimed at the node that it starts from. */
export function aim(next: Aim): void {
  const part = next.verb === 'move' ? network().elements.find(({ id }) => id === next.part) : undefined;
  const at = next.verb === 'move' ? (part?.[next.end] ?? null) : next.rail;
  useEditing.setState({ aim: next, at, typing: null });
}

/** Ends an aimed edit on a node, new or not. */
export function land(node: string): void {
  const { aim: aimed } = useEditing.getState();
  cancelAim();
  if (!aimed) return;
  const now = network();
  if (aimed.verb === 'move') return change(moveEnd(now, `${aimed.part}.${aimed.end}`, node));
  if (aimed.verb === 'join') {
    if (node === aimed.rail) return;
    change(joinNodes(now, node, aimed.rail));
    return useSelection.getState().selectRail(node);
  }
  const added = newElement(now, 'resistor', aimed.rail, node);
  change(addElement(now, added));
  select(added.id);
  startTyping(added.id);
}

/** A free name for a node of its own. */
export const newNodeName = (): string => nextNode(network());

export function addBeside(part: string, how: 'series' | 'parallel'): void {
  const now = network();
  const added = newElement(now, 'resistor');
  change(how === 'series' ? insertInSeries(now, part, added) : addInParallel(now, part, added));
  select(added.id);
  startTyping(added.id);
}

export const swap = (part: string): void => change(swapEnds(network(), part));

export function split(node: string, ends: readonly string[]): void {
  const name = newNodeName();
  change(splitNode(network(), node, ends, name));
  useSelection.getState().selectRail(name);
}

export function remove(parts: readonly string[]): void {
  const now = network();
  if (parts.length === 0) return;
  if (now.elements.length <= parts.length)
    return void toast('A network needs at least one part. Change this one instead.');
  const first = now.elements.findIndex(({ id }) => id === parts[0]);
  change(removeElements(now, parts));
  const left = network().elements;
  select(left[Math.min(Math.max(0, first), left.length - 1)]!.id);
  sayUndoable(`${parts.join(', ')} removed.`);
}

export function copy(parts: readonly string[]): void {
  const whole = network();
  const elements = whole.elements.filter(({ id }) => parts.includes(id));
  if (elements.length === 0) return;
  useEditing.setState({ copied: { elements, whole } });
  toast(`${parts.join(', ')} copied.`);
}

export function paste(): void {
  const { copied } = useEditing.getState();
  if (!copied) return;
  const now = network();
  const next = pasteElements(now, copied.elements, copied.whole);
  change(next);
  useSelection.getState().selectParts(next.elements.slice(now.elements.length).map(({ id }) => id));
}
