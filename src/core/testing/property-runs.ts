/** The same inputs each time: a test fails for what was changed, not by chance of the day. */
const SEED = 20261126

/** How often as many inputs, and other ones each time; 0 for the usual. see scripts/fuzz.mjs. */
const factor = Number(process.env['FUZZ'] ?? 0)

/** Of all inputs these are tried on each push: what rarely fails is looked for by `npm run fuzz`. */
const SHARE = 0.2
/** No property is tried with fewer. */
const FEWEST = 10

/**
 * Parameters of a property test.
 * @param count inputs tried by `npm run fuzz -- 1`; a usual run of the tests tries a fifth of them
 */
export const runs = (count: number) =>
  factor > 0
    ? { numRuns: Math.round(count * factor), seed: Number(process.env['FUZZ_SEED'] ?? Date.now()) }
    : { numRuns: Math.min(count, Math.max(FEWEST, Math.round(count * SHARE))), seed: SEED }

/** Of a list of cases those that a usual run of the tests tries: every fifth; all of them by `npm run fuzz`. */
export const casesToTry = <T>(cases: readonly T[]): T[] =>
  factor > 0 ? [...cases] : cases.filter((_, index) => index % (1 / SHARE) === 0)

/** Time for a property test that takes long, in ms. */
export const patience = (ms: number) => ms * Math.max(1, factor)
