import fc from 'fast-check';

/**
 * Properties are tried on the same examples each time, so that a change is judged by itself and not by luck; SPARE_KNOT_SEED=random (or a
 * number) tries others.
 */
const wanted = process.env.SPARE_KNOT_SEED;
if (wanted !== 'random') fc.configureGlobal({ seed: Number(wanted ?? 2026) });
