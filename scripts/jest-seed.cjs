// Property tests draw from a fixed seed, so that a run repeats; KETTLE_SEED explores others.
require('fast-check').configureGlobal({ seed: Number(process.env.KETTLE_SEED ?? 4780) });
