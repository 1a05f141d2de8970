import { jobFaults, jobFrom, solveJob, startingCircuits } from './index.ts';

test.each(startingCircuits.map((circuit) => [circuit.name, circuit] as const))(
  '%s is a sound job that is solved at once',
  (_name, circuit) => {
    const job = jobFrom(circuit);
    expect(jobFaults(job)).toEqual([]);
    expect(solveJob(job).ok).toBe(true);
  },
);
