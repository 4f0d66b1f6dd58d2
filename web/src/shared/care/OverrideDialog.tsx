import type { Product, Room } from "@scutch/contract";
import { useId, useState } from "react";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldFrame, inputLook } from "../../ui/FieldFrame.tsx";
import { useLogging } from "../logging/useLogging.ts";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
  readonly onClose: () => void;
}

/** The owner of the business answers for going on without a dye test: with a name and a reason, in the log. */
export function OverrideDialog({ desk, room, product, onClose }: Props) {
  const ids = useId();
  const log = useLogging(desk.job.id);
  const [owner, setOwner] = useState("");
  const [reason, setReason] = useState("");
  const ready = owner.trim() !== "" && reason.trim() !== "";
  const take = () => {
    log({
      kind: "override",
      roomId: room.id,
      productId: product.id,
      owner: owner.trim(),
      reason: reason.trim(),
    });
    onClose();
  };
  return (
    <Dialog open title="Go on without a dye test" onClose={onClose}>
      <p className="mt-2">
        {product.name} in {room.name}. The owner of the business answers for it, and it stands in the log.
      </p>
      <div className="mt-3 grid gap-3">
        <FieldFrame id={`${ids}owner`} label="Owner’s name">
          <input
            id={`${ids}owner`}
            className={inputLook(false)}
            maxLength={60}
            value={owner}
            onChange={(event) => setOwner(event.target.value)}
          />
        </FieldFrame>
        <FieldFrame id={`${ids}reason`} label="Reason">
          <textarea
            id={`${ids}reason`}
            rows={3}
            maxLength={2000}
            className={`${inputLook(false)} py-2 text-base`}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </FieldFrame>
        <Button weight="main" disabled={!ready} onClick={take}>
          I answer for it
        </Button>
      </div>
    </Dialog>
  );
}
