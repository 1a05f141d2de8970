import type { CalibrationNotes, KitInstrument } from '../instrument/index.ts';
import { documentHash } from './document-hash.ts';
import type { ReportSection } from './report-sections.ts';

/** Notes of the kit on one instrument, as a report needs them. */
export interface KitNotes extends CalibrationNotes {
  readonly assetTag?: string;
}

/** The order with which a circuit was signed. */
export interface SignedOrder {
  readonly number: string;
  /** `documentHash` of the job of each circuit, in their sequence. */
  readonly circuits: readonly string[];
}

/** A signed report: its document, and the instruments and sections with which it was signed. */
export interface Signature {
  /** `documentHash` of the job. */
  readonly hash: string;
  readonly by: string;
  /** When, as `2026-11-24T09:14:05Z`. */
  readonly at: string;
  readonly sections: readonly ReportSection[];
  /** Ticks after the last reading. */
  readonly restored: readonly string[];
  /** The kit's notes about the job's instruments on that day, by their ids. */
  readonly kit: Readonly<Record<string, KitNotes>>;
  /** Present if the circuits of an order were signed together. */
  readonly order?: SignedOrder;
}

/**
 * Returns the hash of a signed record: SHA-256 of the canonical JSON (RFC 8785) of its document's hash, signer, time, sections,
 * ticks, notes of the kit, and order if it was signed with one.
 *
 * @returns 64 hexadecimal digits
 */
export const recordHash = ({ hash, by, at, sections, restored, kit, order }: Signature): string =>
  documentHash({ document: hash, by, at, sections, restored, kit, ...(order && { order }) });

/** Returns a kit's notes on its instruments, by their ids. */
export const kitNotesOf = (kit: readonly KitInstrument[]): Readonly<Record<string, KitNotes>> =>
  Object.fromEntries(
    kit.map(({ id, assetTag, calibratedOn, laboratory, certificateNumber, calibrationMonths }) => [
      id,
      {
        ...(assetTag !== undefined && { assetTag }),
        ...(calibratedOn !== undefined && { calibratedOn }),
        ...(laboratory !== undefined && { laboratory }),
        ...(certificateNumber !== undefined && { certificateNumber }),
        ...(calibrationMonths !== undefined && { calibrationMonths }),
      },
    ]),
  );
