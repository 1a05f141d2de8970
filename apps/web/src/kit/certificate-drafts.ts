import { dayOf, pointsToCheck, type Range, type ResistanceRange } from '@usual-drag/core/instrument';
import { create } from 'zustand';
import type { TypedPoint } from './certificate-points.tsx';

/** Origin of a certificate: a check against a standard, or a laboratory. */
type CertificateSource = 'standard' | 'laboratory';

/** A certificate that is being typed. */
export interface CertificateDraft {
  readonly source: CertificateSource;
  /** Whether it is of the whole instrument: the next calibration is then due an interval later. */
  readonly isWhole: boolean;
  /** Day, YYYY-MM-DD. */
  readonly on: string;
  /** U of the standard or of the certificate, k = 2; null until it is typed. V, A or Ω. */
  readonly typedU: number | null;
  readonly points: readonly TypedPoint[];
}

/** Certificates that were begun, by instrument and range: kept while another range or page is open. */
const useDrafts = create<Readonly<Record<string, CertificateDraft>>>()(() => ({}));

/** Returns the draft of a range's certificate, a function that changes it, and one that ends it. */
export function useCertificateDraft(key: string, range: Range | ResistanceRange) {
  const kept = useDrafts((drafts) => drafts[key]);
  const draft: CertificateDraft = kept ?? {
    source: 'standard',
    isWhole: false,
    on: dayOf(new Date()),
    typedU: null,
    points: pointsToCheck(range).map((applied) => ({ applied, indicated: null })),
  };
  return {
    draft,
    change: (change: Partial<CertificateDraft>): void => useDrafts.setState({ [key]: { ...draft, ...change } }),
    end: (): void => useDrafts.setState(({ [key]: _ended, ...others }) => others, true),
  };
}
