import { findRange, jackOf, unitOf, type Instrument } from '../../instrument/index.ts';
import type { MeterSetting } from './meter-setting.ts';

/** A control of an instrument that is moved. */
export interface SettingChange {
  readonly control: 'function' | 'range' | 'red lead';
  readonly from: string;
  readonly to: string;
}

/** Returns the controls of an instrument to move from one setting to another, the lead first: it must never be in a wrong jack. */
export function settingChanges(instrument: Instrument, from: MeterSetting, to: MeterSetting): SettingChange[] {
  const jack = ({ quantity, range }: MeterSetting): string => {
    const found = findRange(instrument, quantity, range);
    return found ? jackOf(quantity, found) : '–';
  };
  const all: SettingChange[] = [
    { control: 'red lead', from: jack(from), to: jack(to) },
    { control: 'function', from: unitOf(from.quantity), to: unitOf(to.quantity) },
    { control: 'range', from: from.range, to: to.range },
  ];
  return all.filter((change) => change.from !== change.to);
}
