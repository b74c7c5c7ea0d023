/** The same inputs each time: a test fails for what was changed, not by chance of the day. */
const SEED = 20261126

/** How often as many inputs, and other ones each time; 0 for the usual. see scripts/fuzz.mjs. */
const factor = Number(process.env['FUZZ'] ?? 0)

/**
 * Parameters of a property test.
 * @param count inputs tried in a usual run of the tests
 */
export const runs = (count: number) =>
  factor > 0 ? { numRuns: Math.round(count * factor) } : { numRuns: count, seed: SEED }

/** Time for a property test that takes long, in ms. */
export const patience = (ms: number) => ms * Math.max(1, factor)
