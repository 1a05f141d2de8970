/**
 * Files of the web application that may still do arithmetic on quantities: in how many places, and why. Lower a number when a
 * place moves into core; a new place needs a reason that a reviewer accepts.
 */
export const allowed = {
  'bench/network/part-card.tsx': { places: 2, why: 'limits of a part from its tolerance, printed beside it' },
  'bench/readings/entry/expectation-bar.tsx': { places: 5, why: 'geometry of the bar: ends of the band' },
  'bench/readings/sweep/sweep.tsx': { places: 1, why: 'settings that a new sweep proposes; nothing is measured yet' },
  'bench/setups/correct-reading.tsx': { places: 1, why: 'first factor of the printed formula' },
  'bench/setups/indicated-sums.tsx': { places: 1, why: 'decides whether a remark is shown' },
  'bench/setups/meter-face.tsx': { places: 2, why: 'own error in the display; geometry of the share bar' },
  'bench/setups/range-table.tsx': { places: 1, why: 'geometry of the bars' },
  'bench/true-values/charge.tsx': { places: 2, why: 'charge = current × time, in C and in Ah' },
  'bench/true-values/every-part.tsx': { places: 2, why: 'share of the rated power' },
  'correction/correction-chart.tsx': { places: 2, why: 'axes of the chart are reciprocals' },
  'correction/own-error-line.tsx': { places: 1, why: 'prints the subtraction that core makes' },
  'kit/certificate-points.tsx': { places: 1, why: 'error of a point while it is typed' },
  'kit/certificate-view.tsx': { places: 1, why: 'error of a point of the certificate in force' },
  'kit/range-columns.ts': { places: 1, why: 'a typed burden voltage sets the resistance' },
  'learn/meter-design.tsx': { places: 9, why: 'the page teaches these formulas on one movement' },
  'learn/resistance-slider.tsx': { places: 2, why: 'position of the slider on its scale' },
  'workshop/form/measured-form.tsx': { places: 3, why: 'steps of the measurement while they are typed' },
  'workshop/sheets/choices.tsx': { places: 3, why: 'deviation of a chosen part, printed beside it' },
  'workshop/sheets/meter-sheet.tsx': { places: 3, why: 'fuse in series with a finished meter' },
  'workshop/sheets/temperature-sheet.tsx': { places: 2, why: 'burden with the fuse, printed beside it' },
  'workshop/sheets/use-sheet.tsx': { places: 1, why: 'error where the finished meter is used' },
  'workshop/words.ts': { places: 1, why: 'largest voltage of a section from its power rating' },
};
