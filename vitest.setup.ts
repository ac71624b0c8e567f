import fc from 'fast-check';

// `npm test` tries the same cases each time; `npm run verify` (which names a file for its figures) tries new ones.
if (!process.env.VERIFY_FILE) fc.configureGlobal({ seed: Number(process.env.YEMKO_SEED ?? 20_261_129) });
