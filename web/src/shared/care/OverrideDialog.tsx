import type { Product, Room } from "@scutch/contract";
import type { FloorTest } from "@scutch/core/care";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../logging/useLogging.ts";
import { AnswerDialog } from "./AnswerDialog.tsx";
import { TEST_WORDS } from "./floorTestWords.ts";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly product: Product;
  readonly test: FloorTest;
  readonly onClose: () => void;
}

/** Going on without a test. */
export function OverrideDialog({ desk, room, product, test, onClose }: Props) {
  const log = useLogging(desk);
  return (
    <AnswerDialog
      title={`Skip the ${TEST_WORDS[test].name.toLowerCase()}`}
      onClose={onClose}
      onAnswer={(answer) => log({ kind: "override", roomId: room.id, productId: product.id, ...answer })}
    >
      {product.name} in {room.name}.
    </AnswerDialog>
  );
}
