export { bisect } from "./bisect.ts";
export { integrate, type Sampled } from "./integrate.ts";
export { interpolate, interpolateInverse } from "./interpolate.ts";
export { seededRandom, standardNormal } from "./random.ts";
