/** The property of a database that the demo made and that was unused before. */
export const madeByDemo = { name: 'made-by', value: 'demo' } as const;
