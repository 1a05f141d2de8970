import type { Network } from '@usual-drag/core/network';
import type { Conventions } from '@usual-drag/core/readings';

interface Props {
  readonly conventions: Conventions;
  readonly values: NonNullable<Network['values']>;
}

/** Meaning of the figures: measured, expected, corrected; and the conventions. */
export function Meaning({ conventions, values }: Props) {
  const { sign = 'keep', observations = 'mean', current = 'conventional' } = conventions;
  return (
    <section className="together">
      <h2>What the figures mean</h2>
      <ul>
        <li>
          <b>Displayed</b> is the display of the instrument, unchanged. <b>Measured</b> is that as a value:{' '}
          {statistics[observations]} of several observations, an instrument’s own error taken off where a certificate
          says it.
        </li>
        <li>
          <b>Expected</b> is what this meter indicates at this place by calculation, with its own resistance and with
          the meters connected with it; below it the true value, with no meter connected, and the limits that the parts’
          tolerances set to the expected one. Resistors count with their {values} values.
        </li>
        <li>
          <b>Loading error</b> is expected − true. <b>Corrected</b> is measured × true/expected: the true value that the
          reading leads to.
        </li>
        <li>
          <b>U</b> is the expanded uncertainty, k = 2 (about 95 %), of the measured value: accuracy and resolution of
          the instrument as rectangular limits, and the spread of the observations. It does not hold the parts’
          tolerances.
        </li>
        <li>
          A reading <b>agrees</b> within U of the expected value, lies <b>within tolerance</b> inside the tolerance
          limits widened by U, and else <b>does not agree</b>.{' '}
          {sign === 'magnitude' ? 'Readings are compared without their signs.' : 'Signs are kept: red against black.'}
          {current === 'electron-flow' &&
            ' Screens of this job count currents as electron flow; here they are conventional.'}
        </li>
        <li>An error is indicated − true, as the metrology vocabulary has it. Times are UTC.</li>
      </ul>
    </section>
  );
}

const statistics = { mean: 'the mean', largest: 'the largest', last: 'the last' } as const;
