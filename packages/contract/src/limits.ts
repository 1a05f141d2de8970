/** Bytes that a stored document, and a file to import, may take. */
export const largestDocument = 4 * 2 ** 20;

/** Subjects that one page may follow at a time. */
export const mostFollowed = 50;

/** Number of faults of one file that are listed. */
export const mostFaults = 20;

/** Limits of an archive of jobs: bytes as sent, bytes when unpacked, and files. */
export const largestArchive = 32 * 2 ** 20;
/** Bytes of an archive when unpacked. */
export const largestUnpacked = 128 * 2 ** 20;
/** Bytes of a backup that is restored on screen. */
export const largestBackup = 2 ** 30;
/** Files in an archive. */
export const mostArchivedFiles = 2000;

/** How long texts and lists of the formats may be. */
export const most = {
  title: 200,
  label: 200,
  notes: 10_000,
  word: 64,
  address: 300,
  elements: 50_000,
  setups: 10_000,
  meters: 1000,
  ends: 1000,
  instruments: 1000,
  functions: 20,
  ranges: 1000,
  designRanges: 100,
  readings: 10_000,
  observations: 1000,
  sweeps: 1000,
  sweepPoints: 1000,
  boardParts: 2000,
  wires: 2000,
  rates: 20,
  calibrationPoints: 200,
  shown: 32,
  stock: 10_000,
  sheetElements: 60,
  givens: 240,
  asks: 50,
  restored: 1000,
  circuits: 100,
} as const;
