import fc from "fast-check-whole";

const most = Number(process.env.SEATING_MUTATION_RUNS ?? 300);

/**
 * fast-check with at most so many runs of a property: a mutant is tried thousands of times over, and one that a few runs let
 * live is counted as alive.
 */
const fewRuns = {
  ...fc,
  assert: (property, parameters = {}) =>
    fc.assert(property, { ...parameters, numRuns: Math.min(parameters.numRuns ?? 100, most) }),
};

export default fewRuns;
