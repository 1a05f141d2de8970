import {
  partPlaces,
  readLine,
  writeLine,
  type LineFault,
  type Network,
  type PartPlace,
} from '@usual-drag/core/network';
import { changeNetwork } from '@usual-drag/core/job';
import clsx from 'clsx';
import { Copy } from 'lucide-react';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from '../../ui/toast.ts';
import { afterPaint, useAfterPaint, type PutOff } from '../../ui/after-paint.ts';
import { Button } from '../../ui/button.tsx';
import { benchNow, amend, useBench } from '../model/bench-store.ts';
import { usePartInHand, useSelection } from '../model/selection.ts';
import { useEditing } from '../model/editing.ts';

/** A text with the result of parsing it. */
interface ReadText {
  readonly text: string;
  readonly fault: LineFault | null;
  /** Of its parts, if it can be read. */
  readonly places: readonly PartPlace[];
}

/** Text being typed, and the network that it edits. */
interface Draft {
  readonly text: string;
  readonly base: Network;
  /** The same text, or the one before it until the next frame is painted. */
  readonly read: ReadText;
}

/**
 * The network as one line, drawn as it is typed: the letter in its frame, the drawing in the next. While it cannot be read the last good drawing stays, and the slip is marked
 * under its character. All that is typed in one go is one step to undo.
 */
export function LineEntry() {
  const network = useBench((state) => state.document.network);
  const edit = useBench((state) => state.edit);
  const selectPart = useSelection((state) => state.selectPart);
  const inHand = usePartInHand();
  const [draft, setDraft] = useState<Draft | null>(null);
  const begun = useRef(false);
  /** Whether the last text could be read. */
  const isReadable = useRef(true);
  const typing = draft !== null;
  const written = useMemo(() => (typing ? '' : writeLine(network, { brief: true })), [typing, network]);
  const text = draft?.text ?? written;
  const fault = draft?.read.fault ?? null;
  const waiting = useRef<PutOff | null>(null);
  useEffect(() => () => waiting.current?.run(), []);
  const writtenPlaces = useMemo(
    () => (typing ? [] : partPlaces(written, network.elements)),
    [typing, written, network],
  );
  const places = draft?.read.places ?? writtenPlaces;
  const mark = fault ?? places.find(({ id }) => id === inHand) ?? null;

  const take = (next: string, base: Network): void => {
    const read = readLine(next, base);
    isReadable.current = read.ok;
    const now = { text: next, fault: read.ok ? null : read.fault, places: read.ok ? read.value.places : [] };
    setDraft((before) => before && { ...before, read: now });
    if (!read.ok) return;
    const { document } = benchNow();
    const change = begun.current ? amend : edit;
    change((job) => changeNetwork(job, read.value.network));
    // A space changes nothing: what is typed next is the first step then.
    if (benchNow().document !== document) begun.current = true;
  };
  const type = (next: string): void => {
    const base = draft?.base ?? network;
    useEditing.setState({ line: true });
    setDraft({ text: next, base, read: draft?.read ?? { text: written, fault: null, places: writtenPlaces } });
    waiting.current?.cancel();
    waiting.current = afterPaint(() => take(next, base));
  };
  const leave = (): void => {
    waiting.current?.run();
    useEditing.setState({ line: false });
    if (!isReadable.current) return;
    begun.current = false;
    setDraft(null);
  };
  const selectAtCaret = (caret: number): void => {
    const part = places.findLast(({ at, length }) => at <= caret && caret <= at + length);
    if (part) selectPart(part.id);
  };

  return (
    <section aria-label="The network in a line" className="flex flex-col gap-1.5">
      <Heading />
      <div
        className={clsx(
          'figures max-h-43 overflow-y-auto rounded-xl border-2 bg-sheet text-[15px] leading-7 focus-within:border-(--ochre-line)',
          fault ? 'border-fault' : 'border-ink',
        )}
      >
        <div className="relative">
          <Underline text={draft?.read.text ?? text} mark={mark} wrong={fault !== null} />
          <textarea
            id="network-line"
            rows={Math.ceil((text.length + 1) / charactersPerRow)}
            spellCheck={false}
            autoComplete="off"
            data-typing="true"
            aria-invalid={fault !== null}
            aria-describedby={fault ? 'network-line-fault' : 'network-line-hints'}
            className="relative block field-sizing-content w-full resize-none overflow-hidden bg-transparent px-3 py-2 break-words focus:outline-none"
            value={text}
            onChange={(event) => type(event.target.value.replace(/\n/g, ' '))}
            onBlur={leave}
            onSelect={(event) => {
              if (!fault) selectAtCaret(event.currentTarget.selectionStart);
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                leave();
              }
            }}
          />
        </div>
      </div>
      {fault ? (
        <div className="flex items-start justify-between gap-2">
          <p id="network-line-fault" role="alert" className="text-[14px] leading-snug text-fault">
            {fault.message}
          </p>
          <Button
            tone="quiet"
            className="shrink-0"
            onClick={() => {
              waiting.current?.cancel();
              isReadable.current = true;
              begun.current = false;
              setDraft(null);
            }}
          >
            Restore the drawing’s line
          </Button>
        </div>
      ) : (
        <Hints />
      )}
    </section>
  );
}

/** Where a browser does not size the field by its text: its rows are at least enough. */
const charactersPerRow = 40;

interface UnderlineProps {
  readonly text: string;
  readonly mark: { readonly at: number; readonly length: number } | null;
  readonly wrong: boolean;
}

/** A line below the part in hand or the slip: behind the field, the same text with all else hidden. It follows the drawing. */
function Underline(now: UnderlineProps) {
  const { text, mark, wrong } = useAfterPaint(useSteady(now));
  if (!mark) return null;
  return (
    <div aria-hidden className="invisible absolute inset-0 px-3 py-2 break-words whitespace-pre-wrap contain-strict">
      {text.slice(0, mark.at)}
      <span
        className={clsx(
          'visible text-transparent underline decoration-[3px] underline-offset-4',
          wrong ? 'decoration-fault decoration-wavy' : 'decoration-(--ochre-line)',
        )}
      >
        {text.slice(mark.at, mark.at + mark.length) || '\u00a0\u00a0'}
      </span>
      {text.slice(mark.at + mark.length)}
    </div>
  );
}

/** The same object as long as nothing in it changes. */
const useSteady = ({ text, mark, wrong }: UnderlineProps): UnderlineProps =>
  useMemo(() => ({ text, mark, wrong }), [text, mark, wrong]);

const Heading = memo(function Heading() {
  return (
    <div className="flex items-center justify-between">
      <label htmlFor="network-line" className="font-bold">
        Type the network
      </label>
      <Button
        tone="quiet"
        title="With ratings, limits, measured values and what parts are for"
        onClick={() =>
          void navigator.clipboard
            .writeText(writeLine(benchNow().document.network))
            .then(() => toast('Line copied.'))
            .catch(() => toast.error('The browser refused to copy it.'))
        }
      >
        <Copy aria-hidden size={16} /> Copy the whole line
      </Button>
    </div>
  );
});

const Hints = memo(function Hints() {
  return (
    <details id="network-line-hints" className="text-[14px] text-soft">
      <summary>
        <b className="figures text-ink">+</b> in series <b className="figures text-ink">||</b> in parallel{' '}
        <b className="figures text-ink">@B</b> names a point <b className="figures text-ink">24V/1R8</b> with 1.8 Ω
        inside
      </summary>
      <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5">
        {hints.map(([line, words]) => (
          <div key={line} className="contents">
            <dt className="figures text-ink">{line}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
});

const hints = [
  ['E1 24V/1R8: …', 'a supply, and what it feeds'],
  ['R1 4k7 1% 0.25W', 'a resistor, its tolerance and rating'],
  ['R1 4k7 =4k68', 'measured 4.68 kΩ'],
  ['E1 2.1V/8m 6s2p', 'six cells in series, two strings'],
  ['E1 24V <0.5A', 'a supply with its current limit'],
  ['J1 12.8mA <22V', 'a current source, its compliance'],
  ['L1 12V 0.3A', 'a lamp or other load (or 12V 4W)'],
  ['S1 open, W1 link', 'a switch, a wire'],
  ['; @B R5 12k @C', 'a further branch, from B to C'],
  ['~E2 6V', 'reversed'],
  ['R1', 'alone: as it was'],
] as const;
