import type { Product, Room } from "@scutch/contract";
import { DYE_TEST_SECONDS, protectionFor } from "@scutch/core/care";
import { useState } from "react";
import { protectionText } from "../../format/careWords.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldError, FieldFrame, inputLook } from "../../ui/FieldFrame.tsx";
import { clockText, useCountdown } from "../../ui/useCountdown.ts";
import { useLogging } from "../logging/useLogging.ts";
import { TestCup } from "./TestCup.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
  readonly onClose: () => void;
}

/** White cloth, hidden place, thirty seconds: what came on the cloth is logged. */
export function DyeTestDialog({ desk, room, product, onClose }: Props) {
  const log = useLogging(desk);
  const [place, setPlace] = useState("");
  const [error, setError] = useState<string>();
  const clock = useCountdown(DYE_TEST_SECONDS);
  const finish = (result: "no-colour" | "colour") => {
    if (place.trim() === "") return setError("Enter where you tested, so it can be rechecked.");
    log({
      kind: "dye-test",
      roomId: room.id,
      productId: product.id,
      place: place.trim(),
      pressed: Math.min(3600, Math.round(clock.passed)),
      result,
    });
    onClose();
  };
  return (
    <Dialog open title={`Dye test: ${product.name}`} onClose={onClose}>
      <p className="mt-2">
        Put the mix, at its working strength, on a white cloth. Press it in a hidden spot of {room.name} for{" "}
        {DYE_TEST_SECONDS} s. Then check the cloth.
      </p>
      <TestCup desk={desk} room={room} product={product} />
      <p className="mt-2 text-sm text-soft">
        {protectionText(protectionFor(product))} Follow the label first.
      </p>
      <div className="mt-3">
        <FieldFrame id="dye-place" label="Test spot">
          <input
            id="dye-place"
            className={inputLook(error !== undefined)}
            maxLength={120}
            value={place}
            placeholder="Behind the door"
            onChange={(event) => {
              setPlace(event.target.value);
              setError(undefined);
            }}
          />
        </FieldFrame>
        <FieldError sentence={error} />
      </div>
      {clock.left === undefined ? (
        <Button weight="main" className="mt-4 w-full" onClick={clock.start}>
          Start the {DYE_TEST_SECONDS} s
        </Button>
      ) : (
        <>
          <p role="timer" className="my-4 text-center font-bold font-mono text-6xl">
            {clockText(clock.left)}
          </p>
          <div className="grid grid-cols-2 gap-3">
            <Button className="min-h-14 text-stop" onClick={() => finish("colour")}>
              Colour bled
            </Button>
            <Button weight="main" disabled={clock.left > 0} onClick={() => finish("no-colour")}>
              No colour
            </Button>
          </div>
        </>
      )}
    </Dialog>
  );
}
