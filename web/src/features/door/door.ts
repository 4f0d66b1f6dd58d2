import type { Answer } from "../../device/api.ts";

export type Way = "sign-in" | "join" | "start" | "new-password";
export type DoorFacts = Answer<"readDoor">;

/** What every form at the door is given. */
export interface DoorProps {
  readonly door: DoorFacts;
  readonly onWay: (way: Way) => void;
  /** With the crew that was joined or started, which opens then. */
  readonly onSignedIn: (crewId?: string) => void;
}
