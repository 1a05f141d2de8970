import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import canonicalize from 'canonicalize';

/**
 * Returns the hash of a document: SHA-256 of its canonical JSON (RFC 8785), so that neither the order of keys nor white space
 * matters.
 *
 * @returns 64 hexadecimal digits
 * @throws Error if a number in it is not finite: JSON has none
 */
export const documentHash = (document: object): string => bytesToHex(sha256(utf8ToBytes(canonicalize(document)!)));
