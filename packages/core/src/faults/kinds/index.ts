import type { CircuitFaultKind, ReadingFaultKind } from '../fault-kind.ts';
import { across, type Across } from './across.ts';
import { blownFuse, type BlownFuse } from './blown-fuse.ts';
import { contact, type Contact } from './contact.ts';
import { decade, type Decade } from './decade.ts';
import { digitsSwapped, type DigitsSwapped } from './digits-swapped.ts';
import { hanging, type Hanging } from './hanging.ts';
import { leadsSwapped, type LeadsSwapped } from './leads-swapped.ts';
import { meter, type Meter } from './meter.ts';
import { onePoint, type OnePoint } from './one-point.ts';
import { open, type Open } from './open.ts';
import { outOfTolerance, type OutOfTolerance } from './out-of-tolerance.ts';
import { prefix, type Prefix } from './prefix.ts';
import { short, type Short } from './short.ts';
import { supplyLimited, type SupplyLimited } from './supply-limited.ts';
import { supplyOff, type SupplyOff } from './supply-off.ts';
import { supplyReversed, type SupplyReversed } from './supply-reversed.ts';
import { supplyValue, type SupplyValue } from './supply-value.ts';
import { swapped, type Swapped } from './swapped.ts';
import { switchFault, type Switch } from './switch.ts';
import { wrongPlace, type WrongPlace } from './wrong-place.ts';
import { wrongScale, type WrongScale } from './wrong-scale.ts';

/** A mistake in one reading, or a fault of the circuit, that may explain the readings. */
export type Hypothesis = ReadingHypothesis | CircuitHypothesis;

/** A mistake in one reading. */
export type ReadingHypothesis =
  Prefix | LeadsSwapped | OnePoint | Hanging | DigitsSwapped | WrongScale | WrongPlace | Across | BlownFuse;

/** A fault of the circuit or of an instrument. */
export type CircuitHypothesis =
  | Switch
  | Open
  | Short
  | Contact
  | Decade
  | OutOfTolerance
  | SupplyOff
  | SupplyReversed
  | SupplyValue
  | SupplyLimited
  | Swapped
  | Meter;

/** Name of a fault in a file. */
export type FaultName = Hypothesis['fault'];
/** Name of a mistake in a reading. */
export type ReadingFault = ReadingHypothesis['fault'];
/** Name of a fault of the circuit. */
export type CircuitFault = CircuitHypothesis['fault'];

/** The hypothesis of a kind, by its name. */
export type HypothesisOf<Name extends FaultName> = Extract<Hypothesis, { readonly fault: Name }>;

/** Every mistake in a reading. */
const readingFaultKinds = {
  prefix,
  'leads-swapped': leadsSwapped,
  'one-point': onePoint,
  hanging,
  'digits-swapped': digitsSwapped,
  'wrong-scale': wrongScale,
  'wrong-place': wrongPlace,
  across,
  'blown-fuse': blownFuse,
} satisfies { readonly [Name in ReadingFault]: ReadingFaultKind<HypothesisOf<Name>> };

/** Every fault of the circuit, in the order in which the faults of a part are listed. */
export const circuitFaultKinds = {
  switch: switchFault,
  open,
  short,
  contact,
  decade,
  'out-of-tolerance': outOfTolerance,
  'supply-off': supplyOff,
  'supply-reversed': supplyReversed,
  'supply-value': supplyValue,
  'supply-limited': supplyLimited,
  swapped,
  meter,
} satisfies { readonly [Name in CircuitFault]: CircuitFaultKind<HypothesisOf<Name>> };

const faultKinds = { ...readingFaultKinds, ...circuitFaultKinds };

/** Returns the kind of a fault. */
export const kindOf = ({ fault }: Hypothesis): ReadingFaultKind<Hypothesis> | CircuitFaultKind<Hypothesis> =>
  faultKinds[fault];

/** Returns whether a text is the name of a kind of fault. */
export const isFaultName = (text: string): text is FaultName => Object.hasOwn(faultKinds, text);
