import type { Product, Room } from "@scutch/contract";
import type { DyeTestStatus } from "@scutch/core/care";
import { DEFAULTS } from "@scutch/core/plan";
import { useState } from "react";
import { COVERING_NAMES, FIBRE_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { DyeTestDialog } from "./DyeTestDialog.tsx";
import { OverrideDialog } from "./OverrideDialog.tsx";
import { TestCup } from "./TestCup.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
  readonly gate: DyeTestStatus;
}

/** How the dye test of a product on a room's covering stands, and the way to make it. */
export function DyeTestNote({ desk, room, product, gate }: Props) {
  const [dialog, setDialog] = useState<"test" | "override">();
  if (gate === "not-needed") return null;
  const kind = `${COVERING_NAMES[room.covering ?? DEFAULTS.covering].toLowerCase()}, ${FIBRE_NAMES[room.fibre ?? "unknown"].toLowerCase()}`;
  const floor = `${room.carpet ?? room.name} (${kind})`;
  const buttons = (
    <div className="mt-2 flex flex-wrap gap-2 print:hidden">
      <Button onClick={() => setDialog("test")}>
        {gate === "not-tested" ? "Do the dye test" : "Repeat the dye test"}
      </Button>
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
        <Callout tone="caution" title={`To do: dye test of ${product.name}.`}>
          On {floor}: press a white cloth with the mix in a hidden spot for 30 s. Then mix the fill.
          <TestCup desk={desk} room={room} product={product} />
          {buttons}
        </Callout>
      )}
      {gate === "failed" && (
        <Callout tone="stop" title={`Stop: this carpet’s colour bled with ${product.name}.`}>
          On {floor}. Use another product, or none.
          {buttons}
        </Callout>
      )}
      {gate === "overridden" && (
        <Callout tone="caution" title="Not dye-tested: owner took responsibility.">
          {buttons}
        </Callout>
      )}
      {gate === "passed" && (
        <p className="text-accent text-sm">
          Dye test passed: {product.name} on {floor}.
        </p>
      )}
      {dialog === "test" && (
        <DyeTestDialog desk={desk} room={room} product={product} onClose={() => setDialog(undefined)} />
      )}
      {dialog === "override" && (
        <OverrideDialog desk={desk} room={room} product={product} onClose={() => setDialog(undefined)} />
      )}
    </>
  );
}
