import { reduceNet, resistanceNet, sourcesOf } from '@usual-drag/core/reduction';
import { solveUnloaded } from '@usual-drag/core/loading';
import { explainSolverFault, networkMeant } from '@usual-drag/core/job';
import { onJob, refused, type Output } from './output.ts';

/** The steps from one job file's network down to the resistance that its first source sees, as the published format writes them. */
export const reduceFile = (text: string): Output =>
  onJob(text, (job) => {
    const network = networkMeant(job);
    const [source] = sourcesOf(network);
    if (!source) {
      const message = 'This network has no source to look from. Add the supply that feeds it.';
      return refused({ code: 'invalid-value', message, where: [] });
    }
    const unloaded = solveUnloaded(network);
    if (!unloaded.ok) return refused(explainSolverFault(unloaded.fault));
    const { steps, equivalent } = reduceNet(resistanceNet(network, source, unloaded.value.tangent));
    const told = steps.map(({ rule, parts, into, formulas }) => ({
      rule,
      parts: parts.map((part) => part.id),
      into,
      formula: formulas.join('; '),
    }));
    return { output: { steps: told, equivalent }, solved: true };
  });
