import { fail, ok, type Result } from '@usual-drag/core/result';

/** A temperature as it is typed, °C: `21.5`, `21.5 °C`, `−3`. */
export function readTemperature(text: string): Result<number, { readonly message: string }> {
  const match = /^([-+]?\d+(?:[.,]\d+)?)\s*(?:°?\s*C)?$/i.exec(text.trim().replace('−', '-'));
  const value = match && Number(match[1]!.replace(',', '.'));
  if (value === null || value < -273.15) return fail({ message: 'A temperature in °C, for example 21.5.' });
  return ok(value);
}

export const temperatureText = (value: number): string => String(value).replace('-', '−');
