import { unitOf, type ReadingQuantity } from '@usual-drag/core/instrument';
import { shownPattern, type Observation } from '@usual-drag/core/readings';
import { simulatedNote } from '@usual-drag/core/report';
import clsx from 'clsx';
import { Cable, FlaskConical } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode, type RefObject } from 'react';
import { HelpLink } from '../../../help/help-link.tsx';
import { Button } from '../../../ui/button.tsx';
import { Segments } from '../../../ui/segments.tsx';
import { toggleLarge, typeIn, useReadingEntry } from '../../model/reading-entry.ts';
import type { Origin } from './keep-reading.ts';
import { readDisplay } from './read-display.ts';
import { prefixesOf } from '../plan/step-words.ts';
import type { InstrumentLink } from './use-instrument-link.ts';
import { useWanderingDigit } from './use-wandering-digit.ts';

interface Props {
  /** Place of the reading: text typed there is kept until it is stored. */
  readonly place: string;
  readonly quantity: ReadingQuantity;
  /** The likeliest prefix. */
  readonly prefix: string;
  /** Whether to take the cursor, as on the way from step to step. */
  readonly focus: boolean;
  readonly large?: boolean;
  /** Returns the display of the simulated bench at this place, each time with another last digit; omitted if it has none. */
  readonly simulate?: (time: number) => Observation | null;
  /** Whether the instrument is a digital one: the last digit of its simulated display wanders. */
  readonly isDigital?: boolean;
  /** Returns why the range cannot display an observation; it is shown before the observation is kept. */
  readonly remarkOn?: (observation: Observation) => string | null;
  /** Keeps the display; `stay` adds another observation. */
  readonly onKeep: (observation: Observation, stay: boolean, origin: Origin) => void;
  /** The instrument's own reading; null or left out if it cannot be asked. */
  readonly link?: InstrumentLink | null;
  /** Picture of the instrument below the field, which is its display. */
  readonly picture?: (entry: PicturedEntry) => ReactNode;
}

/** Entry as a picture of the instrument shows and changes it. */
interface PicturedEntry {
  /** Null while nothing is typed that a display can have. */
  readonly typed: Observation | null;
  readonly place: (shown: string, unit: string) => void;
}

/**
 * Size of n digits that fill the field, as a share of its width times n: a digit of the figures' face is 0.6 of its size wide.
 * The last one has room for the cursor.
 */
const widthOfDigits = 100 / 0.64;

/** Digits for which there is always room, so that the first ones do not change their size. */
const leastDigits = 5;

/** Returns the CSS size of the digits: as large as is usual, or as the field has room for. */
const digitSize = (typed: string, large: boolean): string =>
  `min(${large ? '13vh, 13vw' : '34px'}, ${widthOfDigits / Math.max(leastDigits, typed.length)}cqw)`;

/**
 * Entry of the display: digits, point and sign, or OL; by number pad alone. A letter of a prefix sets it, * and / go one prefix up or
 * down; Enter keeps the reading and goes on, Shift Enter keeps it and stays; S takes what the simulated bench shows, T what the instrument itself
 * sends.
 */
export function DisplayEntry({
  place,
  quantity,
  prefix: likely,
  focus,
  large = false,
  simulate,
  isDigital = false,
  remarkOn,
  onKeep,
  link,
  picture,
}: Props) {
  const typed = useReadingEntry((state) => state.typed[place]) ?? '';
  const setTyped = (text: string): void => typeIn(place, text);
  const [prefix, setPrefix] = useState(likely);
  const [refused, setRefused] = useState<string | null>(null);
  /** The observation that a remark was made on: the next Keep keeps it. */
  const [remarked, setRemarked] = useState<string | null>(null);
  const [isSimulated, setSimulated] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const unit = unitOf(quantity);
  const prefixes = [...new Set([...prefixesOf(quantity), prefix])];
  useEffect(() => {
    if (focus) field.current?.focus({ preventScroll: true });
  }, [focus]);
  const step = (by: 1 | -1): void => {
    const next = prefixes[prefixes.indexOf(prefix) + by];
    if (next !== undefined) setPrefix(next);
  };
  const take = (text: string): void => {
    setRemarked(null);
    setSimulated(false);
    const read = readDisplay(text, unit);
    setRefused(read.otherUnit === null ? null : otherUnitSentence(read.otherUnit, prefix + unit));
    if (read.by !== 0) step(read.by);
    if (read.prefix !== null) setPrefix(read.prefix);
    setTyped(read.shown);
  };
  const put = (shown: string, unitShown: string, isSimulatedNow: boolean): void => {
    setRefused(null);
    setRemarked(null);
    setSimulated(isSimulatedNow);
    setPrefix(unitShown.slice(0, -1));
    setTyped(shown);
  };
  const takeSimulated = (): void => {
    const shown = simulate?.(0);
    if (!shown) return;
    put(shown.shown, shown.unit, true);
    field.current?.focus({ preventScroll: true });
  };
  useWanderingDigit(isSimulated && isDigital, (time) => {
    const shown = simulate?.(time);
    // Over range the display does not wander, and the unit is the one that was taken.
    if (shown && shown.unit === prefix + unit && typed !== 'OL' && shown.shown !== 'OL') setTyped(shown.shown);
  });
  const keep = (stay: boolean): void => {
    const shown = typed.replace('−', '-').toUpperCase();
    if (!shownPattern.test(shown)) return setRefused(refusalOf(typed, prefix, unit));
    const observation: Observation = { shown, unit: prefix + unit, at: new Date().toISOString() };
    const asTyped = `${shown} ${prefix + unit}`;
    const remark = remarked === asTyped ? null : (remarkOn?.(observation) ?? null);
    if (remark !== null) {
      setRemarked(asTyped);
      return setRefused(`${remark} Select Keep again to store it anyway.`);
    }
    onKeep(observation, stay, isSimulated ? { note: simulatedNote } : {});
    setTyped('');
    setRefused(null);
    setRemarked(null);
    setSimulated(false);
    field.current?.focus({ preventScroll: true });
  };
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        keep(false);
      }}
    >
      <div className="flex items-stretch gap-2">
        <DisplayField
          ref={field}
          typed={typed}
          unit={prefix + unit}
          isRefused={refused !== null}
          large={large}
          onType={take}
          onKey={(event) => actOnKey(event, { b: toggleLarge, s: takeSimulated, t: link?.take }, () => keep(true))}
        />
        {link && <LinkButton link={link} large={large} />}
        {simulate && !large && <SimulatedButton onTake={takeSimulated} />}
        <Button tone="strong" type="submit" className={large ? 'px-8 text-[min(4vh,5.8vw)]!' : 'px-4 text-[17px]!'}>
          Keep
        </Button>
      </div>
      {picture?.({
        typed: asObservation(typed, prefix + unit),
        place: (shown, unitShown) => put(shown, unitShown, false),
      })}
      {link && <LinkWords link={link} />}
      <Refusal sentence={refused} />
      <PrefixRow
        prefix={prefix}
        prefixes={prefixes}
        unit={unit}
        onPrefix={setPrefix}
        onMinus={() => take('-' + typed.replace(/^[-−+]/, ''))}
        onOver={() => take('OL')}
        onStay={() => keep(true)}
      />
    </form>
  );
}

interface FieldProps {
  readonly ref: RefObject<HTMLInputElement | null>;
  readonly typed: string;
  readonly unit: string;
  readonly isRefused: boolean;
  readonly large: boolean;
  readonly onType: (text: string) => void;
  readonly onKey: (event: KeyboardEvent<HTMLInputElement>) => void;
}

/** Field for the digits of the display, with its unit. */
function DisplayField({ ref, typed, unit, isRefused, large, onType, onKey }: FieldProps) {
  return (
    <label className="flex min-w-0 grow items-center gap-2 rounded-xl border-2 border-(--ochre-line) bg-sheet px-3">
      <span className="sr-only">What the display says, in {unit}</span>
      <span className="@container min-w-0 grow">
        <input
          ref={ref}
          data-typing="true"
          inputMode="decimal"
          autoComplete="off"
          enterKeyHint="next"
          value={typed}
          aria-invalid={isRefused}
          aria-describedby={isRefused ? 'display-fault' : undefined}
          placeholder={large ? undefined : 'display'}
          onChange={(event) => onType(event.target.value)}
          onKeyDown={onKey}
          className={clsx(
            'figures w-full min-w-0 bg-transparent font-bold text-ochre outline-none placeholder:font-normal placeholder:text-soft/60',
            large ? 'h-[18vh]' : 'h-14',
          )}
          style={{ fontSize: digitSize(typed, large) }}
        />
      </span>
      <span aria-hidden className={clsx('figures text-ochre', large ? 'text-[min(8vh,11.6vw)]' : 'text-[26px]')}>
        {unit}
      </span>
    </label>
  );
}

/** Returns what is typed as an observation; null if no display can have it. */
function asObservation(typed: string, unit: string): Observation | null {
  const shown = typed.replace('−', '-').toUpperCase();
  return shownPattern.test(shown) ? { shown, unit } : null;
}

function Refusal({ sentence }: { readonly sentence: string | null }) {
  if (sentence === null) return null;
  return (
    <p id="display-fault" role="alert" className="text-[14px] text-fault">
      {sentence}
    </p>
  );
}

interface PrefixRowProps {
  readonly prefix: string;
  readonly prefixes: readonly string[];
  readonly unit: string;
  readonly onPrefix: (prefix: string) => void;
  readonly onMinus: () => void;
  readonly onOver: () => void;
  readonly onStay: () => void;
}

/** The prefix of the display, and what a number pad does not have. */
function PrefixRow({ prefix, prefixes, unit, onPrefix, onMinus, onOver, onStay }: PrefixRowProps) {
  return (
    <div className="flex flex-wrap items-center justify-between gap-2">
      <Segments
        label="Prefix of the display"
        value={prefix}
        options={prefixes.map((one) => ({ value: one, text: one + unit }))}
        onChange={onPrefix}
      />
      <span className="flex gap-1.5">
        <Button onClick={onMinus} aria-label="Minus sign">
          −
        </Button>
        <Button onClick={onOver}>OL</Button>
        <Button onClick={onStay} title="Keep it and read again (Shift Enter)">
          Keep, read again
        </Button>
      </span>
    </div>
  );
}

/** Returns the reason why a text is no display of this step. */
function refusalOf(typed: string, prefix: string, unit: string): string {
  const { otherUnit } = readDisplay(typed, unit);
  return otherUnit === null
    ? 'This is not a display. Type its digits with sign and point, or OL.'
    : otherUnitSentence(otherUnit, prefix + unit);
}

const otherUnitSentence = (other: string, own: string): string =>
  `${other} is not the unit of this step. Type the display in ${own}, or open the step of the other quantity.`;

/** Letters that do something in the field, and Shift Enter. */
function actOnKey(
  event: KeyboardEvent<HTMLInputElement>,
  letters: Readonly<Record<string, (() => void) | undefined>>,
  keepAndStay: () => void,
): void {
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
  const act = event.key === 'Enter' ? (event.shiftKey ? keepAndStay : undefined) : letters[event.key.toLowerCase()];
  if (!act || !isPlain) return;
  event.preventDefault();
  act();
}

/** Result of the last reading that was requested from the instrument. */
function LinkWords({ link: { isTaking, failure } }: { readonly link: InstrumentLink }) {
  return (
    <>
      <p role="status" className="text-[14px] text-soft empty:hidden">
        {isTaking && 'Taking the reading from the instrument …'}
      </p>
      {failure !== null && !isTaking && (
        <p role="alert" className="text-[14px] text-fault">
          {failure} <HelpLink to="readings#an-instrument-does-not-answer" about="an instrument that does not answer" />
        </p>
      )}
    </>
  );
}

function LinkButton({ link, large }: { readonly link: InstrumentLink; readonly large: boolean }) {
  return (
    <Button
      onClick={link.take}
      aria-label="Take the reading from the instrument"
      title="Take the reading from the instrument, and keep it (T)"
      className={large ? 'px-6' : 'px-2'}
    >
      <Cable aria-hidden size={large ? 40 : 18} />
    </Button>
  );
}

function SimulatedButton({ onTake }: { readonly onTake: () => void }) {
  return (
    <Button
      onClick={onTake}
      aria-label="Take the reading from the simulated bench"
      title="Take the reading from the simulated bench (S)"
      className="px-2"
    >
      <FlaskConical aria-hidden size={18} />
    </Button>
  );
}
