export { bisect } from "./bisect.ts";
export { cholesky, solveLower, solveUpper } from "./cholesky.ts";
export { interpolate, interpolateInverse } from "./interpolate.ts";
export { normalCdf, normalQuantile } from "./normal.ts";
export { quasiNormals } from "./quasiRandom.ts";
export { seededRandom, standardNormal } from "./random.ts";
export { integrateStiff, ROS34PW2, type Sampled } from "./rosenbrock.ts";
