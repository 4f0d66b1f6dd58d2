import type { Product, Room } from "@scutch/contract";
import { type FloorTest, protectionFor } from "@scutch/core/care";
import { formatDuration } from "@scutch/core/quantity";
import { useState } from "react";
import { protectionText } from "../../format/careWords.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldError, FieldFrame, inputLook } from "../../ui/FieldFrame.tsx";
import { clockText, useCountdown } from "../../ui/useCountdown.ts";
import { useLogging } from "../logging/useLogging.ts";
import { TEST_WORDS } from "./floorTestWords.ts";
import { TestCup } from "./TestCup.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
  readonly test: FloorTest;
  readonly onClose: () => void;
}

/** s a test lasts: a cloth as it is pressed, a tile as long as the label lets the product dwell. */
const testSeconds = (test: Props["test"], product: Product) =>
  test === "tile" && product.dwellLeast > 0 ? product.dwellLeast : TEST_WORDS[test].seconds;

export function testTime(test: Props["test"], product: Product): string {
  const seconds = testSeconds(test, product);
  return seconds < 60 ? `${seconds} s` : formatDuration(seconds);
}

/** A product tried in a hidden place before it is used: how, for how long, and what came of it, which is logged. */
export function FloorTestDialog({ desk, room, product, test, onClose }: Props) {
  const log = useLogging(desk);
  const [place, setPlace] = useState("");
  const [error, setError] = useState<string>();
  const choosePlace = (named: string) => {
    setPlace(named);
    setError(undefined);
  };
  const words = TEST_WORDS[test];
  const clock = useCountdown(testSeconds(test, product));
  const time = testTime(test, product);
  const finish = (held: boolean) => {
    if (place.trim() === "") return setError(words.placeMissing);
    const about = { roomId: room.id, productId: product.id, place: place.trim() };
    const passed = Math.min(3600, Math.round(clock.passed));
    log(
      test === "dye"
        ? { kind: "dye-test", ...about, pressed: passed, result: held ? "no-colour" : "colour" }
        : {
            kind: "tile-test",
            ...about,
            ...(clock.left === undefined ? {} : { stood: passed }),
            result: held ? "no-change" : "changed",
          },
    );
    onClose();
  };
  // A cloth is watched for half a minute; a tile may stand for ten, with the phone in a pocket.
  const answers = test === "tile" || clock.left !== undefined;
  return (
    <Dialog open title={`${words.name}: ${product.name}`} onClose={onClose}>
      <p className="mt-2">{words.steps(room.name, time)}</p>
      <TestCup desk={desk} room={room} product={product} />
      <p className="mt-2 text-sm text-soft">
        {protectionText(protectionFor(product))} Follow the label first.
      </p>
      <div className="mt-3">
        <fieldset className="mb-2 flex flex-wrap gap-1.5">
          <legend className="sr-only">{words.place}, to tap</legend>
          {words.places.map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={place === each}
              onClick={() => choosePlace(each)}
              className={`min-h-12 rounded-md border px-4 ${place === each ? "border-ink bg-ink text-ground" : "border-rule bg-paper"}`}
            >
              {each}
            </button>
          ))}
        </fieldset>
        <FieldFrame id="test-place" label={words.place}>
          <input
            id="test-place"
            className={inputLook(error !== undefined)}
            maxLength={120}
            value={place}
            onChange={(event) => choosePlace(event.target.value)}
          />
        </FieldFrame>
        <FieldError sentence={error} />
      </div>
      {clock.left === undefined ? (
        <Button data-first weight={answers ? "plain" : "main"} className="mt-4 w-full" onClick={clock.start}>
          Start the {time}
        </Button>
      ) : (
        <p role="timer" className="my-4 text-center font-bold font-mono text-[min(3.75rem,18vw)]">
          {clockText(clock.left)}
        </p>
      )}
      {answers && (
        <div className="mt-3 grid grid-cols-2 gap-3">
          <Button className="min-h-14 text-stop" onClick={() => finish(false)}>
            {words.bad}
          </Button>
          <Button weight="main" disabled={(clock.left ?? 0) > 0} onClick={() => finish(true)}>
            {words.good}
          </Button>
        </div>
      )}
    </Dialog>
  );
}
