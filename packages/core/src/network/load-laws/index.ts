import type { LoadLawKind, UsualLoad } from './load-law.ts';
import { powerLaw, type PowerLaw } from './power-law.ts';

/** Quantities by which each law is recognised in a load. */
interface LawValues {
  readonly power: PowerLaw;
}

type LawName = keyof LawValues;

const laws: { readonly [Name in LawName]: LoadLawKind<LawValues[Name]> } = { power: powerLaw };

/** The law of a load, with its quantities. */
export type Curve = { readonly [Name in LawName]: { readonly law: Name; readonly values: LawValues[Name] } }[LawName];

type UnionToIntersection<U> = (U extends unknown ? (u: U) => void : never) extends (i: infer I) => void ? I : never;

/** Quantities of a load that come from its law; it counts as a resistance if it has none. */
export type CurveQuantities = Partial<UnionToIntersection<LawValues[LawName]>>;

/** A resistance, ratedVoltage/ratedCurrent. */
const resistance: Curve = { law: 'power', values: { exponent: 1 } };

/** Every law, as one that takes the values of any: used with the values of its own only. */
const everyLaw: Readonly<Record<LawName, LoadLawKind<object>>> = laws;

/** Returns the description of a law. */
export const lawOf = ({ law }: Curve): LoadLawKind<object> => everyLaw[law];

/** Names of the laws. */
const names = Object.keys(laws) as LawName[];

/** Quantities of all laws, by their keys. */
export const curveQuantities = Object.assign({}, ...names.map((name) => everyLaw[name].quantities)) as {
  readonly [Key in keyof CurveQuantities]-?: LoadLawKind<PowerLaw>['quantities']['exponent'];
};

/** Returns the law by which a load is given; null if it is given as a resistance. */
export function givenCurve(load: CurveQuantities): Curve | null {
  const name = names.find((one) =>
    Object.keys(laws[one].quantities).every((key) => load[key as keyof CurveQuantities] !== undefined),
  );
  if (name === undefined) return null;
  const keys = Object.keys(laws[name].quantities) as (keyof CurveQuantities)[];
  return { law: name, values: Object.fromEntries(keys.map((key) => [key, load[key]])) } as unknown as Curve;
}

/** Returns the law that a load follows. */
export const curveOf = (load: CurveQuantities): Curve => givenCurve(load) ?? resistance;

/** Returns a load without the quantities of any law. */
export function withoutCurve<Load extends CurveQuantities>(load: Load): Omit<Load, keyof CurveQuantities> {
  return Object.fromEntries(Object.entries(load).filter(([key]) => !(key in curveQuantities))) as Omit<
    Load,
    keyof CurveQuantities
  >;
}

/** Reads a word of the line notation that gives a law; null if it gives none. */
export function readCurveWord(
  text: string,
): { readonly values: CurveQuantities; readonly onlyForLoads: string } | null {
  for (const name of names) {
    const { readWord, onlyForLoads } = everyLaw[name];
    const values = readWord(text);
    if (values) return { values, onlyForLoads };
  }
  return null;
}

/** Loads that are usual in the field, with the quantities of their law. */
export const usualLoads: readonly UsualLoad<CurveQuantities>[] = [
  { name: 'resistance', values: {} },
  ...names.flatMap((name) => everyLaw[name].usual),
];
