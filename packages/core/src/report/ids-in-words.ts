/** Ids in words, three or more that count on from each other as one span: `M1 to M4, M7`. */
export function idsInWords(ids: readonly string[]): string {
  const spans: string[][] = [];
  for (const id of ids) {
    const last = spans.at(-1);
    if (last && follows(last.at(-1)!, id)) last.push(id);
    else spans.push([id]);
  }
  return spans.map((span) => (span.length > 2 ? `${span[0]} to ${span.at(-1)}` : span.join(', '))).join(', ');
}

function follows(before: string, id: string): boolean {
  const [a, b] = [/^(.*?)(\d+)$/.exec(before), /^(.*?)(\d+)$/.exec(id)];
  return a !== null && b !== null && a[1] === b[1] && Number(b[2]) === Number(a[2]) + 1;
}
