import { fitWord, type Diagnosis } from '../diagnosis/index.ts';
import { faultSentence } from '../faults/index.ts';
import { idsInWords } from './ids-in-words.ts';

/** Number of groups of explanations in a report. */
const mostGroups = 3;

/**
 * Returns the explanations of the readings that do not agree, the best first.
 *
 * @param compared     how many readings could be compared
 * @param disagreeing  ids of the readings that do not agree
 * @param diagnosis    null if it was not worked out
 */
export function diagnosisWords(
  compared: number,
  disagreeing: readonly string[],
  diagnosis: Diagnosis | null,
): string[] {
  if (compared === 0) return ['There is no reading to explain.'];
  if (disagreeing.length === 0)
    return ['Every reading that can be compared agrees: no fault is needed to explain them.'];
  const first = `${idsInWords(disagreeing)} ${disagreeing.length === 1 ? 'does' : 'do'} not agree.`;
  if (diagnosis === null) return [`${first} What explains it was not worked out.`];
  if (diagnosis.consistent)
    return [
      `${first} Yet each lies within the uncertainty of what the sound circuit predicts, the parts' tolerances counted: no fault is needed.`,
    ];
  if (diagnosis.groups.length === 0)
    return [`${first} No single fault of the readings or of the circuit explains them.`];
  return [
    `${first} Of all single faults of the readings and of the circuit these explain them:`,
    ...diagnosis.groups.slice(0, mostGroups).map(({ misfit, hypotheses }) => {
      const [best, ...others] = hypotheses.map(faultSentence);
      const more = others.length === 0 ? '' : ` These readings cannot tell it from: ${others.slice(0, 4).join(' ')}`;
      const left = others.length > 4 ? ` And ${others.length - 4} more.` : '';
      return `${best} (${fitWord(misfit)}, misfit ${misfit.toFixed(2)}).${more}${left}`.replace('. (', ' (');
    }),
  ];
}
