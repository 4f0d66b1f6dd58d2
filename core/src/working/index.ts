export { explain, type Figure, type FigureKind, figure, type Working } from "./working.ts";
