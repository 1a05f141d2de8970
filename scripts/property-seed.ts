import fc from 'fast-check';

/** Property tests draw the same cases each time, so that a change is judged by itself; `PROPERTY_SEED=$RANDOM npx jest` looks further. */
fc.configureGlobal({ seed: Number(process.env.PROPERTY_SEED ?? 2026) });
