/** Fault in a line of text, and its place. */
export interface LineFault {
  /** The problem and what was expected, in a technician's words. */
  readonly message: string;
  /** Place of the first character, counted from 0, and how many are meant. */
  readonly at: number;
  readonly length: number;
}

type LineMark = '+' | '||' | '(' | ')' | ';' | ':' | '~' | '@';

/** A piece of a line: a mark, a word, a text in quotes, or the end. */
export interface LineToken {
  readonly kind: LineMark | 'word' | 'text' | 'end';
  readonly text: string;
  readonly at: number;
  readonly length: number;
}

const pieces =
  /(?<space>\s+)|(?<mark>\|\||\||\/\/|∥|[+();:~@])|"(?<text>(?:[^"\\]|\\.)*)"|(?<word>[<=#]?(?:[^\s+|();:@~"/∥]|(?<=\w)\/(?!\/))+(?:\s*\/(?!\/)\s*[^\s+|();:@~"/∥]+)?)/gsuy;

/** Ways to write that two things are in parallel. */
const sideBySide = new Set(['|', '||', '//', '∥']);

/** A bare number, which a unit may follow after a space: `56 kΩ`. */
const bareNumber = /^[<=]?-?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/;
const loneUnit = /^(?:[fpnuµμmkKMG]?(?:V|A|W|Ω|Ω|[oO]hms?)|[kKMGµμ]|%)$/;

/**
 * Cuts a line into its pieces; a number and the unit behind a space become one word.
 *
 * @returns the tokens with an `end` behind them, or the fault at a character that belongs to nothing
 */
export function readTokens(line: string): LineToken[] | LineFault {
  const tokens: LineToken[] = [];
  pieces.lastIndex = 0;
  while (pieces.lastIndex < line.length) {
    const at = pieces.lastIndex;
    const match = pieces.exec(line);
    if (!match) {
      const character = [...line.slice(at)][0]!;
      return character === '"'
        ? { message: 'This text has no closing quote. Put one behind it: ".', at, length: line.length - at }
        : { message: `“${character}” has no meaning here.`, at, length: character.length };
    }
    const { mark, text, word } = match.groups as Record<string, string | undefined>;
    const place = { at, length: match[0].length };
    if (mark) tokens.push({ kind: sideBySide.has(mark) ? '||' : (mark as LineMark), text: mark, ...place });
    else if (text !== undefined) tokens.push({ kind: 'text', text: text.replace(/\\(.)/gsu, '$1'), ...place });
    else if (word) pushWord(tokens, { kind: 'word', text: word.replace(/\s+/g, ''), ...place });
  }
  return [...tokens, { kind: 'end', text: '', at: line.length, length: 1 }];
}

function pushWord(tokens: LineToken[], word: LineToken): void {
  const before = tokens.at(-1);
  if (before?.kind !== 'word' || !bareNumber.test(before.text) || !loneUnit.test(word.text.split('/')[0]!))
    return void tokens.push(word);
  tokens[tokens.length - 1] = {
    kind: 'word',
    text: before.text + word.text,
    at: before.at,
    length: word.at + word.length - before.at,
  };
}
