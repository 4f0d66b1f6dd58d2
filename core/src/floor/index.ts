export { explainArea } from "./areaExplained.ts";
export { type Box, boundingBox, boxesOf, type Point, sharedArea } from "./boxes.ts";
export { type MoverPlace, moverPlaces } from "./moverPlaces.ts";
export { edgeLength, edgesOf, outlineArea, outlineOf, type PartFault, rotateOutline } from "./outline.ts";
export {
  type Floor,
  type Overlap,
  type PlacedDoor,
  type PlacedRoom,
  type PlanDoor,
  type PlanRoom,
  placeRooms,
} from "./place.ts";
export { type Push, shortestPush } from "./pushApart.ts";
export {
  areaOf,
  carpetArea,
  PART_KINDS,
  PART_SIGN,
  type Part,
  type PartKind,
  type Rectangle,
  type RoomShape,
  WALLS,
  type Wall,
} from "./shape.ts";
export { parseRoomSize } from "./size.ts";
export { DEFAULT_FLIGHT, FLIGHT_LIMITS, type Flight, flightArea, flightEdge, flightRise } from "./stairs.ts";
export { ZONE_KINDS, type ZoneAreas, type ZoneKind, type ZoneSize, type Zones, zoneAreas } from "./zones.ts";
