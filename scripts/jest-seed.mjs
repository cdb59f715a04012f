import fc from 'fast-check';

/** The same random cases on every run, so that two runs say the same; NELVIX_SEED looks at others. */
fc.configureGlobal({ seed: Number(process.env.NELVIX_SEED ?? 1) });
