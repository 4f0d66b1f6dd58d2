import { describe, expect, test } from "@jest/globals";
import { dyeTestStatus, type TestedFloor } from "./dyeTest.ts";

describe("the dye test", () => {
  const floor = { covering: "cut-pile", fibre: "nylon", roomId: "a" } as const;
  type Result = "passed" | "failed" | "overridden";
  const made = (result: Result, on: Partial<TestedFloor> = {}, productId = "p") => ({
    productId,
    floor: { ...floor, ...on },
    result,
  });

  test("the newest test of this product on this carpet decides", () => {
    expect(dyeTestStatus("p", floor, [])).toBe("not-tested");
    expect(dyeTestStatus("p", floor, [made("passed")])).toBe("passed");
    expect(dyeTestStatus("p", floor, [made("passed"), made("failed")])).toBe("failed");
    expect(dyeTestStatus("p", floor, [made("failed"), made("passed")])).toBe("passed");
    expect(dyeTestStatus("p", floor, [made("passed", {}, "q")])).toBe("not-tested");
  });

  test("another room's counts only where the person has named it as one carpet, never by fibre alone, never where the fibre is unknown", () => {
    const here = { ...floor, roomId: "b" };
    const gate = (on: Partial<TestedFloor>, there: Partial<TestedFloor>) =>
      dyeTestStatus("p", { ...here, ...on }, [made("passed", there)]);
    expect(gate({}, {})).toBe("not-tested");
    expect(gate({ carpet: "Blue" }, {})).toBe("not-tested");
    expect(gate({ carpet: "Blue" }, { carpet: " blue " })).toBe("passed");
    expect(gate({ carpet: "Blue" }, { carpet: "Red" })).toBe("not-tested");
    for (const fibre of ["unknown", undefined] as const)
      expect(gate({ carpet: "Blue", fibre }, { carpet: "Blue", fibre })).toBe("not-tested");
    expect(gate({ carpet: "Blue", fibre: "wool" }, { carpet: "Blue" })).toBe("not-tested");
    // In the room itself it holds, whatever is known of it.
    expect(gate({ roomId: "a", fibre: "unknown" }, { fibre: "unknown" })).toBe("passed");
  });

  test("an owner's word lifts it until colour comes after all", () => {
    expect(dyeTestStatus("p", floor, [made("failed"), made("overridden")])).toBe("overridden");
    expect(dyeTestStatus("p", floor, [made("overridden"), made("failed")])).toBe("failed");
  });

  test("tile and stone want one tile tried, floor by floor; a dye test of what was carpet before doesn't count", () => {
    const tile = (roomId: string): TestedFloor => ({ covering: "ceramic", carpet: "Blue", roomId });
    const tried = (test: "dye" | "tile") =>
      ({ productId: "p", floor: tile("a"), result: "passed", test }) as const;
    expect(dyeTestStatus("p", tile("a"), [])).toBe("not-tested");
    expect(dyeTestStatus("p", tile("a"), [tried("dye")])).toBe("not-tested");
    expect(dyeTestStatus("p", tile("a"), [tried("tile")])).toBe("passed");
    expect(dyeTestStatus("p", tile("b"), [tried("tile")])).toBe("not-tested");
    expect(dyeTestStatus("p", { ...tile("a"), covering: "vinyl" }, [])).toBe("not-needed");
  });
});
