export { bisect } from "./bisect.ts";
export { interpolate, interpolateInverse } from "./interpolate.ts";
export { seededRandom, standardNormal } from "./random.ts";
export { integrateStiff, ROS34PW2, type Sampled } from "./rosenbrock.ts";
