import type { Product, Room } from "@scutch/contract";
import { type DyeTestStatus, floorTest } from "@scutch/core/care";
import { DEFAULTS } from "@scutch/core/plan";
import { type ReactNode, useState } from "react";
import { COVERING_NAMES, FIBRE_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FloorTestDialog, testTime } from "./FloorTestDialog.tsx";
import { TEST_WORDS } from "./floorTestWords.ts";
import { OverrideDialog } from "./OverrideDialog.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
  readonly gate: DyeTestStatus;
  /** What else may be done about it. */
  readonly children?: ReactNode;
}

/** How the test of a product on a room's floor stands, and the way to make it. */
export function FloorTestNote({ desk, room, product, gate, children }: Props) {
  const [dialog, setDialog] = useState<"test" | "override">();
  const covering = room.covering ?? DEFAULTS.covering;
  const test = floorTest(covering);
  if (gate === "not-needed" || test === undefined) return null;
  const words = TEST_WORDS[test];
  const kind = [COVERING_NAMES[covering], ...(test === "dye" ? [FIBRE_NAMES[room.fibre ?? "unknown"]] : [])];
  const floor = `${room.carpet ?? room.name} (${kind.join(", ").toLowerCase()})`;
  const buttons = (
    <div className="mt-1 flex flex-wrap gap-2 print:hidden">
      <Button onClick={() => setDialog("test")}>{gate === "not-tested" ? words.make : words.again}</Button>
      {(gate === "not-tested" || gate === "failed") && (
        <Button weight="quiet" onClick={() => setDialog("override")}>
          Skip test
        </Button>
      )}
    </div>
  );
  return (
    <>
      {gate === "not-tested" && (
        <Callout tone="caution" title={`To do: ${words.todo} ${product.name}.`}>
          On {floor}: {testTime(test, product)}, then mix the fill.
          {buttons}
          {children}
        </Callout>
      )}
      {gate === "failed" && (
        <Callout tone="stop" title={`Stop: ${words.stop} ${product.name}.`}>
          On {floor}. Use another product, or none.
          {children}
          {buttons}
        </Callout>
      )}
      {gate === "overridden" && (
        <Callout tone="caution" title={words.overridden}>
          {buttons}
        </Callout>
      )}
      {gate === "passed" && (
        <p className="text-accent text-sm">
          {words.passed}: {product.name} on {floor}.
        </p>
      )}
      {dialog === "test" && (
        <FloorTestDialog {...{ desk, room, product, test }} onClose={() => setDialog(undefined)} />
      )}
      {dialog === "override" && (
        <OverrideDialog {...{ desk, room, product, test }} onClose={() => setDialog(undefined)} />
      )}
    </>
  );
}
