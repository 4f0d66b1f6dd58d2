import type { Product, Room } from "@scutch/contract";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../logging/useLogging.ts";
import { AnswerDialog } from "./AnswerDialog.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
  readonly onClose: () => void;
}

/** Going on without a dye test. */
export function OverrideDialog({ desk, room, product, onClose }: Props) {
  const log = useLogging(desk);
  return (
    <AnswerDialog
      title="Skip the dye test"
      onClose={onClose}
      onAnswer={(answer) => log({ kind: "override", roomId: room.id, productId: product.id, ...answer })}
    >
      {product.name} in {room.name}.
    </AnswerDialog>
  );
}
