import { protectionFor } from "@scutch/core/care";
import { formatDuration } from "@scutch/core/quantity";
import { protectionText } from "../../format/careWords.ts";
import { formatAmount } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { useLogging } from "../logging/useLogging.ts";
import { BottleAmounts } from "./BottleAmounts.tsx";
import { odourTreatmentOf } from "./odourTreatment.ts";

interface Props {
  readonly desk: JobDesk;
  readonly roomId: string;
}

/** How a room is treated against odour: what to mix, how long it stands, when, and the press that logs it. */
export function OdourNote({ desk, roomId }: Props) {
  const units = useUnits();
  const log = useLogging(desk);
  const treatment = odourTreatmentOf(desk, roomId, units.system);
  if (!treatment) return null;
  const { area, amount, product, bottle, bottles, when } = treatment;
  if (!product)
    return (
      <Callout tone="caution" title="No odour treatment for this floor on the shelf.">
        Add one that its label allows here, or agree with the customer to leave the smell.
      </Callout>
    );
  const used = bottle && bottles * (bottle.powder?.mass ?? bottle.concentrate);
  const logged = desk.log.some(
    (entry) => entry.kind === "product-used" && entry.productId === product.id && entry.roomId === roomId,
  );
  const room = desk.job.rooms.find(({ id }) => id === roomId);
  return (
    <Callout
      tone="advice"
      title={`Odour treatment ${when} cleaning: ${units.area(area)} with ${product.name}.`}
    >
      <p>
        It takes {formatAmount(units.volume(amount))} to reach as deep as the urine went.{" "}
        {bottle ? (
          <>
            Mix {bottles > 1 && `${bottles} bottles, each `}
            <BottleAmounts bottle={bottle} />
          </>
        ) : (
          "Your measures can’t show a bottle of it within its label. Use a finer one."
        )}
      </p>
      <p className="mt-1">
        Soak it in, leave it {formatDuration(product.dwellLeast)} to {formatDuration(product.dwellMost)}, then
        extract. {product.cautions.join(" ")} {protectionText(protectionFor(product))} Follow the label first.
        It dries later than the rest: keep people and pets off it.
      </p>
      {logged ? (
        <p className="mt-1 font-semibold text-accent">Use logged.</p>
      ) : (
        room &&
        used !== undefined && (
          <Button
            className="mt-2"
            onClick={() =>
              log({
                kind: "product-used",
                productId: product.id,
                roomId: room.id,
                ...(bottle?.powder ? { powder: used } : { amount: used }),
              })
            }
          >
            Log product used
          </Button>
        )
      )}
    </Callout>
  );
}
