import { toast } from './toast.ts';

/**
 * Says what was done and offers what can be done about it, for long enough to read it and reach for the button.
 *
 * @returns what closes it again
 */
export function offer(message: string, label: string, act: () => void): () => void {
  return toast(message, { duration: 12_000, action: { label, onClick: act } });
}
