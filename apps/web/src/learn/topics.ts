/** Topics of the Learn page, one screen each, each following from those before it. */
export const topics = [
  {
    id: 'loading',
    title: 'Loading',
    text: [
      'A voltmeter is a resistor across the circuit. It draws current, the voltage falls, and the voltmeter indicates the lower value.',
      'The error depends on two resistances alone: the source resistance seen by the leads, and the input resistance of the meter on its range.',
    ],
  },
  {
    id: 'insertion',
    title: 'Insertion',
    text: [
      'An ammeter is a resistor in the circuit. Its burden voltage is missing elsewhere, the current falls, and the ammeter indicates the lower value.',
      'Each ammeter that is inserted makes a different circuit: currents read one at a time need not add up at a node.',
    ],
  },
  {
    id: 'source-resistance',
    title: 'Source resistance',
    text: [
      'Seen from its leads, a meter looks at one voltage behind one resistance, whatever the network is (Thévenin).',
      'That resistance is what the leads see with every source at zero. The higher it is, the more a voltmeter loads, and the less an ammeter matters.',
    ],
  },
  {
    id: 'range',
    title: 'Range choice',
    text: [
      'A higher range of an analogue voltmeter has more input resistance and loads less, but its accuracy limit and its scale are coarser.',
      'Without a correction, the best range is the one with the smallest sum of loading, accuracy and resolution. If the loading is corrected, a lower range is often better.',
    ],
  },
  {
    id: 'correction',
    title: 'Correction',
    text: [
      'Where the source resistance is known, the true value follows from the reading: V(1 + Rs/Rm) for a voltmeter, I(1 + Rm/Rs) for an ammeter.',
      'Where it is not known, readings on two ranges of different resistance give both.',
    ],
  },
  {
    id: 'together',
    title: 'Together or apart',
    text: [
      'Two meters that are connected at the same time change each other’s readings as well as the circuit.',
      'Read one after the other, each has its own error alone. Which is better depends on the source resistance at each.',
    ],
  },
  {
    id: 'tolerance',
    title: 'Tolerance',
    text: [
      'A resistor may be anywhere within its tolerance, and so the expected value has limits, too.',
      'What lies inside these limits is no fault. What the loading shifts may be more than what the tolerances allow, and it always goes the same way.',
    ],
  },
  {
    id: 'shunts',
    title: 'Shunts',
    text: [
      'A movement reads full scale at a small current. For a larger range a shunt in parallel carries the rest: Rs = Im·Rm/(I − Im).',
      'All of the voltage across movement and shunt is burden voltage. Never open the shunt under load: the whole current would flow through the movement.',
    ],
  },
  {
    id: 'multipliers',
    title: 'Multipliers',
    text: [
      'A resistor in series makes a voltmeter of a movement: R = V/Im − Rm. Its ohms per volt are 1/Im on every range.',
      'The multiplier drops nearly all of the voltage: mind its voltage rating as well as its power.',
    ],
  },
] as const;

export type Topic = (typeof topics)[number]['id'];
