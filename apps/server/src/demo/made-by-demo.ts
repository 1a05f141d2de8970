/** The property of a database that the demo made and nobody had used before. */
export const madeByDemo = { name: 'made-by', value: 'demo' } as const;
