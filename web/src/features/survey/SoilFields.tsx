import type { Room } from "@scutch/contract";
import { SOIL_ANCHORS, SOIL_LEVELS, WEAR_TEST } from "@scutch/core/care";
import type { RoomPlan } from "@scutch/core/plan";
import { SOIL_NAMES, SOIL_NATURE_NAMES, WEAR_NAMES } from "../../format/words.ts";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import type { SetRoom } from "./setRoom.ts";

interface Props {
  readonly room: Room;
  readonly plan: RoomPlan;
  readonly hard: boolean;
  readonly set: SetRoom;
}

/** How dirty a floor is, and what only looks like dirt. */
export function SoilFields({ room, plan, hard, set }: Props) {
  return (
    <>
      <div>
        <Segmented
          label={`Soil: ${SOIL_NAMES[plan.soil].toLowerCase()}`}
          value={plan.soil}
          assumed={room.soil === undefined}
          options={SOIL_LEVELS.map((soil) => ({ value: soil, name: String(soil) }))}
          onChange={(soil) => void set({ soil })}
        />
        <p className="mt-1 text-sm text-soft">{SOIL_ANCHORS[plan.soil]}</p>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="Dry or greasy"
          value={room.soilNature}
          options={optionsOf(SOIL_NATURE_NAMES)}
          onChange={(soilNature) => void set({ soilNature })}
        />
        {!hard && (
          <ChoiceField
            label="Wear"
            value={room.wear}
            options={optionsOf(WEAR_NAMES)}
            onChange={(wear) => void set({ wear })}
          />
        )}
      </div>
      {room.soilNature === "greasy" && plan.soilForMix !== plan.soil && (
        <p className="text-sm text-soft">Greasy: uses the stronger mix {plan.soilForMix}.</p>
      )}
      {room.wear !== undefined && room.wear !== "none" && (
        <p className="text-sm text-soft">Wear won’t clean out: tell the customer first. {WEAR_TEST}</p>
      )}
    </>
  );
}
