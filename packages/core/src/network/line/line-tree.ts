import type { Element } from '../element.ts';
import { namePattern } from '../limits.ts';
import { readPart, type LinePart } from './line-part.ts';
import { readTokens, type LineFault, type LineToken } from './line-token.ts';

/** A named point in a chain. */
export interface LinePoint {
  readonly kind: 'point';
  readonly name: string;
  readonly at: number;
  readonly length: number;
}

/** Content of a line before its points are nodes. */
export type LineTree =
  | { readonly kind: 'part'; readonly part: LinePart; readonly reversed: boolean }
  | { readonly kind: 'chain'; readonly items: readonly (LineTree | LinePoint)[] }
  | { readonly kind: 'side-by-side'; readonly branches: readonly LineTree[] };

/** A line divided into its statements. */
export interface LineText {
  readonly statements: readonly LineTree[];
  /** `against @B`: the node that potentials are given against. */
  readonly reference: LinePoint | null;
  /** `measured`: work with measured values. */
  readonly measured: boolean;
}

/**
 * Reads the grammar of a line:
 *
 *     line      = statement { ";" statement }
 *     statement = [ source [ ":" ] ] sides | "against" "@"name | "measured"
 *     sides     = chain { "||" chain }
 *     chain     = [ "@"name ] item { ( "+" | "@"name | "+" "@"name "+" ) item } [ "@"name ]
 *     item      = [ "~" ] part | "(" sides ")"
 *
 * @param known  parts that a name alone may refer to
 */
export function readTree(line: string, known: readonly Element[]): LineText | LineFault {
  const tokens = readTokens(line);
  if (!Array.isArray(tokens)) return tokens;
  try {
    return new Reader(tokens, known).line();
  } catch (error) {
    if (error instanceof Stop) return error.fault;
    throw error;
  }
}

/** Ends the reading at the first fault, from however deep inside brackets. */
class Stop extends Error {
  constructor(readonly fault: LineFault) {
    super(fault.message);
  }
}

class Reader {
  private at = 0;

  constructor(
    private readonly tokens: readonly LineToken[],
    private readonly known: readonly Element[],
  ) {}

  line(): LineText {
    const statements: LineTree[] = [];
    let reference: LinePoint | null = null;
    let measured = false;
    for (;;) {
      while (this.here().kind === ';') this.at += 1;
      if (this.here().kind === 'end') break;
      if (this.here().text === 'against' && this.next().kind === '@') {
        this.at += 1;
        reference = this.point();
      } else if (this.here().text === 'measured' && this.isLast(this.next())) {
        this.at += 1;
        measured = true;
      } else statements.push(this.statement());
      if (!this.isLast(this.here())) this.stop(this.here(), this.expected());
    }
    if (statements.length === 0) this.stop(this.here(), 'Type a network, for example E1 24V/1R8: R1 56k + R2 39k.');
    return { statements, reference, measured };
  }

  private statement(): LineTree {
    const first = this.here();
    const sides = this.sides();
    const feeds = this.here().kind === ':' || this.here().kind === 'word' || this.here().kind === '(';
    if (!feeds) return sides;
    const source = sides.kind === 'part' && (sides.part.kind === 'source' || sides.part.kind === 'current-source');
    if (!source) {
      if (this.here().kind === ':') this.stop(first, 'Only a source comes before a colon: E1 24V/1R8: …');
      this.stop(this.here(), this.expected());
    }
    if (this.here().kind === ':') this.at += 1;
    const fed = this.sides();
    return { kind: 'side-by-side', branches: [sides, ...(fed.kind === 'side-by-side' ? fed.branches : [fed])] };
  }

  private sides(): LineTree {
    const branches = [this.chain()];
    while (this.here().kind === '||') {
      this.at += 1;
      branches.push(this.chain());
    }
    return branches.length === 1 ? branches[0]! : { kind: 'side-by-side', branches };
  }

  private chain(): LineTree {
    const items: (LineTree | LinePoint)[] = [];
    for (;;) {
      if (this.here().kind === '@') {
        items.push(this.point());
        if (this.here().kind === '+') this.at += 1;
        else if (!this.beginsItem() && this.here().kind !== '@') break;
        continue;
      }
      items.push(this.item());
      if (this.here().kind === '@') continue;
      if (this.here().kind !== '+') break;
      this.at += 1;
    }
    if (items.every((item) => item.kind === 'point'))
      this.stop(this.here(), 'A point alone is no part. Put a part behind it: @B R5 12k @C.');
    return items.length === 1 ? (items[0] as LineTree) : { kind: 'chain', items };
  }

  private item(): LineTree {
    const here = this.here();
    if (here.kind === '(') {
      this.at += 1;
      const inside = this.sides();
      if (this.here().kind !== ')') this.stop(this.here(), `Expected + (in series), || (in parallel) or ) here.`);
      this.at += 1;
      return inside;
    }
    const reversed = here.kind === '~';
    if (reversed) this.at += 1;
    if (this.here().kind !== 'word')
      this.stop(this.here(), 'Expected a part here, such as R1 4k7, or ( to open a group.');
    const read = readPart(this.tokens, this.at, this.known);
    if ('message' in read) throw new Stop(read);
    this.at = read.end;
    return { kind: 'part', part: read.part, reversed };
  }

  private point(): LinePoint {
    const mark = this.here();
    this.at += 1;
    const { kind, text, at, length } = this.here();
    if (kind !== 'word' || !namePattern.test(text)) this.stop(mark, 'Expected a point’s name behind @, such as @B.');
    this.at += 1;
    return { kind: 'point', name: text, at: mark.at, length: at + length - mark.at };
  }

  private beginsItem(): boolean {
    return this.here().kind === 'word' || this.here().kind === '(' || this.here().kind === '~';
  }

  private isLast(token: LineToken): boolean {
    return token.kind === ';' || token.kind === 'end';
  }

  private here(): LineToken {
    return this.tokens[this.at]!;
  }

  private next(): LineToken {
    return this.tokens[this.at + 1] ?? this.here();
  }

  private expected(): string {
    return this.here().kind === ')'
      ? 'This ) closes nothing. Remove it, or put a ( before it.'
      : 'Expected + (in series), || (in parallel), @ (a point’s name) or ; (a further branch) here.';
  }

  private stop(token: LineToken, message: string): never {
    throw new Stop({ message, at: token.at, length: token.length });
  }
}
