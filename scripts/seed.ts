import fc from 'fast-check';

/**
 * One seed for every property test that names none, so that a red run is red for everybody. `ARBEIT_SEED`
 * looks elsewhere.
 */
fc.configureGlobal({ seed: Number(process.env.ARBEIT_SEED ?? 20_270_210) });
