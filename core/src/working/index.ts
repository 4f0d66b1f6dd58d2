export { explain, type Figure, type FigureKind, type Working } from "./working.ts";
