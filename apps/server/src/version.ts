import own from '../package.json' with { type: 'json' };

/** Version of this software. */
export const { version } = own;
