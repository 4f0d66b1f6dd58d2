import { DYE_TEST_SECONDS, type FloorTest, TILE_TEST_SECONDS } from "@scutch/core/care";

/** What a test of a product on a floor is called and asks for, by its kind. */
export interface TestWords {
  readonly name: string;
  readonly todo: string;
  readonly make: string;
  readonly again: string;
  /** At the room, once the test is opened. */
  readonly steps: (room: string, time: string) => string;
  readonly passed: string;
  readonly stop: string;
  readonly overridden: string;
  readonly good: string;
  readonly bad: string;
  readonly place: string;
  /** Usual places for it, to tap. */
  readonly places: readonly string[];
  readonly placeMissing: string;
  /** s, where the label doesn't say how long. */
  readonly seconds: number;
}

export const TEST_WORDS: Readonly<Record<FloorTest, TestWords>> = {
  dye: {
    name: "Dye test",
    todo: "dye test of",
    make: "Do the dye test",
    again: "Repeat the dye test",
    steps: (room, time) =>
      `Put the mix, at its working strength, on a white cloth. Press it in a hidden spot of ${room} for ${time}. Then check the cloth.`,
    passed: "Dye test passed",
    stop: "this carpet’s colour bled with",
    overridden: "Not dye-tested: owner took responsibility.",
    good: "No colour",
    bad: "Colour bled",
    place: "Test spot",
    places: ["Inside closet", "Behind door", "Under furniture", "Corner"],
    placeMissing: "Enter where you tested, so it can be rechecked.",
    seconds: DYE_TEST_SECONDS,
  },
  tile: {
    name: "Tile test",
    todo: "test one tile with",
    make: "Test one tile",
    again: "Test a tile again",
    steps: (room, time) =>
      `Put the mix, at its working strength, on one tile and its grout in a corner of ${room}. Leave it for ${time}, rinse and dry it. Then compare it with the tile beside it.`,
    passed: "Tile test passed",
    stop: "a tile changed with",
    overridden: "No tile tested: owner took responsibility.",
    good: "No change",
    bad: "Dulled or etched",
    place: "Which tile",
    places: ["Corner", "Behind door", "Under furniture", "By the drain"],
    placeMissing: "Enter which tile you tested, so it can be rechecked.",
    seconds: TILE_TEST_SECONDS,
  },
};
