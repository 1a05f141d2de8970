import type { KitInstrument } from '@usual-drag/core/instrument';
import type { Observation, Reading } from '@usual-drag/core/readings';
import type { MeterProject } from '@usual-drag/core/workshop';
import type { Job, JobRecord, ReadingsStatus } from '@usual-drag/core/job';
import type { Signature } from '@usual-drag/core/report';
import type { Attempt } from '@usual-drag/core/practice';

/** Kinds of stored documents; also the names in their addresses. */
export const documentKinds = ['jobs', 'instruments', 'meter-projects'] as const;
/** A kind of document that the server stores. */
export type DocumentKind = (typeof documentKinds)[number];

/** The document of each kind. */
export interface DocumentOfKind {
  readonly jobs: Job;
  readonly instruments: KitInstrument;
  readonly 'meter-projects': MeterProject;
}

/** A document as the server keeps it. Saving it needs the revision that the edit began with; 0 is as it came with the software. */
export interface StoredDocument<T> {
  readonly id: string;
  readonly revision: number;
  /** ISO 8601. */
  readonly updatedAt: string;
  readonly document: T;
}

/** Change of a document, announced to the pages that follow the document or the list of its kind. */
export interface DocumentChange {
  readonly kind: DocumentKind;
  /** Null if several were added or changed at once. */
  readonly id: string | null;
  /** Its new one; null if it is to be looked up: archived, deleted, or one of several. */
  readonly revision: number | null;
  /** Readings that changed since the revision before, if nothing else in the job has changed. */
  readonly step?: ReadingsStep;
}

/** Readings that were added or changed in one save, and its time (ISO 8601). */
export interface ReadingsStep {
  readonly updatedAt: string;
  readonly readings: readonly Reading[];
}

/** Answer to saved readings: all readings that changed since the revision they were based on, including those of others. */
export interface SavedReadings extends ReadingsStep {
  readonly id: string;
  readonly revision: number;
}

/** Subject that a page follows: the list of a kind, or one document. */
export type Followed = DocumentKind | `${DocumentKind}/${string}`;

/** Addresses of this server for other devices. */
export interface DevicesAnswer {
  /** Whether other devices get in, with the passphrase. */
  readonly isOpen: boolean;
  /** Whether nobody else on the network can read what is sent. */
  readonly isPrivate: boolean;
  /** Addresses, the best first; each with its QR code as an SVG picture. */
  readonly addresses: readonly { readonly address: string; readonly code: string }[];
}

/** Numbers of what a database contains. */
export interface StoredContents {
  readonly jobs: number;
  readonly instruments: number;
  readonly meterProjects: number;
  readonly signatures: number;
  readonly attempts: number;
  /** ISO 8601 of the last change of a document; null if there is none. */
  readonly changedAt: string | null;
}

/** A backup that was checked and waits to be restored; the next one that is checked takes its place. */
export interface CheckedBackup {
  readonly id: string;
  readonly contents: StoredContents;
  /** Contents that it would replace. */
  readonly present: StoredContents;
}

/** Why a copy was made: at a start, before a change of format, or of what a restored backup replaced. */
export const copyReasons = ['start', 'migration', 'before-restore'] as const;

/** A copy of everything that the server made by itself. */
export interface KeptCopy {
  readonly name: string;
  /** ISO 8601. */
  readonly at: string;
  readonly reason: (typeof copyReasons)[number];
  readonly bytes: number;
}

/** State of the copies on schedule in a second folder. */
export interface ScheduledCopiesState {
  readonly folder: string;
  readonly everyHours: number;
  /** ISO 8601 of the newest; null if there is none. */
  readonly lastAt: string | null;
  /** Whether the newest copy is too old, or the first one failed. */
  readonly isOverdue: boolean;
  /** Reason why the last attempt failed; null if it succeeded. */
  readonly failure: string | null;
}

/** Condition of the server that needs attention. */
export interface ServerWarning {
  readonly about: 'disk-space' | 'copies';
  readonly message: string;
}

/** Answer of `/api/health`: the server takes requests and its database can be read. */
export interface HealthAnswer {
  readonly status: 'ready';
  readonly engine: 'SQLite' | 'PostgreSQL';
  readonly damaged?: readonly DamagedDocument[];
  readonly warnings?: readonly ServerWarning[];
}

/** Description of this installation for its operator. */
export interface AboutAnswer {
  readonly version: string;
  /** Name of the last migration of the database. */
  readonly schema: string;
  /** Versions of database, Node and operating system. */
  readonly runsOn: { readonly engine: string; readonly node: string; readonly system: string };
  /** ISO 8601. */
  readonly startedAt: string;
  readonly data: {
    readonly folder: string;
    /** Place of the database, such as `host:5432/name`; null if it is a file in the folder. */
    readonly server: string | null;
    /** Bytes of the database, and of the folder with its copies. */
    readonly databaseBytes: number;
    readonly folderBytes: number;
    /** Free bytes on its disk; null if the system does not report them. */
    readonly freeBytes: number | null;
  };
  /** Newest automatic copy; null if there is none. */
  readonly lastCopy: KeptCopy | null;
  /** Null if no copies are made on schedule. */
  readonly scheduledCopies: ScheduledCopiesState | null;
  readonly warnings: readonly ServerWarning[];
  /** Report of the upgrade at this start, with the way to undo it; null if there was none. */
  readonly upgrade: string | null;
  /** Commands of this installation, as they are typed. */
  readonly commands: { readonly restore: string; readonly startForDevices: string };
}

/** A line of the list of jobs. */
export interface JobSummary {
  readonly id: string;
  readonly title: string | null;
  readonly revision: number;
  /** ISO 8601. */
  readonly createdAt: string;
  /** ISO 8601. */
  readonly updatedAt: string;
  /** ISO 8601; null while it is not archived. */
  readonly archivedAt: string | null;
  /** The job details, as far as work is found by it. */
  readonly record: Pick<JobRecord, 'site' | 'asset' | 'order' | 'date'>;
  /** Place in the sequence of its order, from 0; null if it was not given one. */
  readonly place: number | null;
  readonly parts: number;
  readonly setups: number;
  /** Whether the figures below are computed, being computed, or not computed because that takes too long for a list. */
  readonly state: 'computed' | 'computing' | 'too-large';
  /** Relative error of the largest size among the meters that can be read; null if none has one. */
  readonly worstError: number | null;
  /** Which meters cannot be read, in words; empty if all can. */
  readonly unreadable: string;
  /** Progress of the readings; null if there are none. */
  readonly readings: ReadingsStatus | null;
}

/** A version of a document in its history. */
export interface HistoryEntry {
  /** Number of the entry, to open it by; null for the present version. */
  readonly entry: number | null;
  readonly revision: number;
  /** ISO 8601. */
  readonly savedAt: string;
  /** It was never the present one: the version not taken when two windows had changed the same. */
  readonly aside: boolean;
  /** Changes from the version before it, in words; empty for the first. */
  readonly changes: readonly string[];
}

/** A part of a history, the newest first. */
export interface History {
  readonly entries: readonly HistoryEntry[];
  /** Beginning of the next part; null at the end. */
  readonly before: number | null;
}

/** A stored document or signature that cannot be read. Its bytes are kept and can be downloaded. */
export interface DamagedDocument {
  readonly kind: DocumentKind | 'signatures';
  readonly id: string;
  /** ISO 8601. */
  readonly updatedAt: string;
  readonly bytes: number;
  /** The problem in words. */
  readonly message: string;
}

/** An attempt as the server keeps it. */
export interface KeptAttempt extends Attempt {
  readonly id: string;
  /** ISO 8601. */
  readonly at: string;
}

/** Somebody who practised. */
export interface Learner {
  readonly person: string;
  readonly attempts: number;
  /** ISO 8601, of the last one. */
  readonly lastAt: string;
}

/** A signature on a job, as the server keeps it. */
export interface KeptSignature extends Signature {
  readonly entry: number;
  /** Of the job that was signed. */
  readonly revision: number;
}

/** The same with the job as it was then. */
export interface SignedJob extends KeptSignature {
  readonly document: Job;
}

/** Reading from an instrument, as its display would have it, word for word, and the identity that it reports. */
export interface InstrumentReading extends Observation {
  readonly sent: string;
  readonly identity: string;
  /** Id of the range that it was on. */
  readonly range: string;
}
