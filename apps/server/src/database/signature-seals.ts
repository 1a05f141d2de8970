import { documentHash, type Signature } from '@usual-drag/core/report';

/** Fields that a seal covers: signer, job, time, ticks, notes and order. The job itself is included by its hash. */
interface Sealed extends Signature {
  readonly jobId: string;
  readonly revision: number;
}

/** SHA-256 over a signature and what it was given for, 64 hexadecimal digits. */
export const sealOf = ({ jobId, revision, hash, by, at, sections, restored, kit, order }: Sealed): string =>
  documentHash({ jobId, revision, hash, by, at, sections, restored, kit, ...(order && { order }) });
