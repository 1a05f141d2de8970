// Phrases that no comment, text of a screen, identifier or page of the docs may have, with what to write instead. The list follows
// the style guide and the glossary, and grows whenever a review finds another.
//
// `in`: where it is looked for. A text is a string literal or JSX text; tests are left out of texts.
export const phrases = [
  // Conditions.
  {
    find: /\b(?:null|none|nothing|empty|undefined|false|NaN|infinite|everywhere|free|given) where\b/i,
    say: 'if',
    in: ['comment'],
  },
  { find: /\b(?:where|if) left out\b/i, say: 'if omitted', in: ['comment'] },
  // Openings of docstrings: a verb in the third person, or a noun phrase.
  { find: /^\/\*\*\s+What\b/, say: 'the thing itself: “Indicated value of …”', in: ['comment'] },
  { find: /^\/\*\*\s+How many\b/, say: 'Number of …', in: ['comment'] },
  // Screens.
  { find: /\btake it off\b/i, say: 'Remove fault', in: ['text'] },
  { find: /\bsuch a fault it is\b/i, say: 'Right fault, wrong place', in: ['text'] },
  { find: /\bthe sign is turned\b/i, say: 'the sign is reversed', in: ['text', 'page'] },
  { find: /\b(?:line|connection) is (?:not )?private\b|\bprivate line\b/i, say: 'encrypted connection', in: ['text'] },
  { find: /\bonly this computer gets in\b/i, say: 'Only this computer can connect.', in: ['text', 'page'] },
  {
    find: /\b(?:say|says|said|saying) the passphrase\b/i,
    say: 'enter the passphrase',
    in: ['text', 'comment', 'page'],
  },
  { find: /\bwhat belongs together\b/i, say: 'Find a series or parallel pair', in: ['text', 'page'] },
  { find: /\bit is not known: read it\b/i, say: 'Source resistance unknown: read on two ranges', in: ['text'] },
  { find: /\bnothing is called that\b/i, say: 'No matches.', in: ['text'] },
  { find: /\bno usual slip\b|\ba usual slip\b/i, say: 'common mistake', in: ['text', 'page'] },
  { find: /\bwho (?:reads here|practises|reads on this device)\b/i, say: 'Your name', in: ['text', 'page'] },
  { find: /\bhead of the job\b/i, say: 'job details', in: ['text', 'page'] },
  { find: /\bits share is the whole\b/i, say: 'nothing to superpose', in: ['text'] },
  { find: /\bsums close\b/i, say: 'sums agree', in: ['text', 'page'] },
  { find: /\bat rest\b/i, say: 'set to zero', in: ['text'] },
  { find: /\bstep in hand\b/i, say: 'open step', in: ['text', 'page'] },
  { find: /\bhanded? in\b/i, say: 'send', in: ['text'] },
  { find: /\bas soon as it does\b/i, say: 'when it does', in: ['text'] },
  { find: /\bdead spot\b/i, say: 'without a connection', in: ['text'] },
  // Names.
  {
    find: /^(?:patience|toldColumns|useInHand|faultsAnew|readSharply)$/,
    say: 'timeoutMs, computedColumns, useReadingEntry, faultsByResolving, readOnLowestRange',
    in: ['name'],
  },
  { find: /^[a-z]*slips?(?:In|For|AndRounding)$|^Slip[A-Z]\w*$/, say: 'mistake', in: ['name'] },
];
