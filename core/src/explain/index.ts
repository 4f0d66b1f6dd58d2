export { type Explanation, explain, type Figure, type FigureKind, figure } from "./explanation.ts";
