/** One seed for the random cases of a run, printed by `./test` and given again as SEED. */
import fc from 'fast-check';

const seed = Number(process.env.SEED);
if (process.env.SEED !== undefined && Number.isFinite(seed)) fc.configureGlobal({ seed });
