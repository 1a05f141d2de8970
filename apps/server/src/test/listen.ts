import { setTimeout as delay } from 'node:timers/promises';
import type { DocumentChange } from '@usual-drag/contract';
import type { RunningServer } from './running-server.ts';

/** Follows some subjects as a page does, or all if none are given. Returns the list of the changes received so far. */
export async function listen(
  { address }: Pick<RunningServer, 'address'>,
  ...follow: string[]
): Promise<DocumentChange[]> {
  const received: DocumentChange[] = [];
  const query = new URLSearchParams(follow.map((subject): [string, string] => ['follow', subject]));
  const { body } = await fetch(`${address}/api/events?${query.toString()}`);
  const read = async (): Promise<void> => {
    let rest = '';
    for await (const chunk of body!.pipeThrough(new TextDecoderStream()) as unknown as AsyncIterable<string>) {
      const parts = (rest + chunk).split('\n\n');
      rest = parts.pop()!;
      for (const part of parts) {
        const data = /^data: (\{.*)$/m.exec(part)?.[1];
        if (data) received.push(JSON.parse(data) as DocumentChange);
      }
    }
  };
  void read().catch(() => undefined);
  return received;
}

/** Waits until a condition is true, for two seconds at most. */
export async function until(isTrue: () => boolean): Promise<void> {
  for (let k = 0; k < 200 && !isTrue(); k += 1) await delay(10);
}
