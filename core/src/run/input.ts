import type { RinseReason } from "../care/index.ts";
import type { CrewPace } from "./stepKinds.ts";

/** How a room's floor is sprayed. */
export interface RoomSpray {
  readonly batchId: string;
  /** What is laid down, m³/m². */
  readonly rate: number;
  /** The label's dwell, s: at least, and at most where the label has a longer one. */
  readonly dwell: number;
  readonly dwellMost?: number | undefined;
  /** s it stands beyond its dwell, where that is shorter than the air leaves it: a foam falls. */
  readonly standsFor?: number | undefined;
  /** Open time, s, as things run while people work. */
  readonly openTime: number;
}

/** A room as its work goes. Areas m², times s, volumes m³. */
export interface RunRoom {
  readonly id: string;
  readonly area: number;
  /** What it is cleaned with: rooms with the same machine are cleaned in the order given. */
  readonly machine: string;
  /** s/m² of the head or pad, and of an absorbent pad after it. */
  readonly cleanTime: number;
  readonly padTime: number;
  readonly spray?: RoomSpray;
  readonly agitated: boolean;
  readonly groomed: boolean;
  readonly furniture: boolean;
  readonly slowVacuum: boolean;
  readonly ribbed: boolean;
  /** m of edge done by hand. */
  readonly edge: number;
  readonly odourArea: number;
  /** Treated against odour before it is cleaned, and s that stands first; absent: after. */
  readonly odourBefore?: { readonly dwell: number };
  readonly spotsBefore: number;
  readonly spotsAfter: number;
  readonly fans: number;
  /** m² of one strip. */
  readonly strip: number;
  /** Rooms still to do that the way out chosen for it leads over. */
  readonly wayOut: readonly string[];
  /** Vacuumed again once these floors, its own and those on the way to it, have dried for so long, s, after they were left. */
  readonly vacuumedAfter?: readonly { readonly roomId: string; readonly seconds: number }[];
}

/** One fill of a sprayer and the rooms it goes on, in order. */
export interface RunFill {
  readonly id: string;
  readonly batchId: string;
  readonly vesselId: string;
  readonly volume: number;
  readonly rooms: readonly { readonly roomId: string; readonly volume: number }[];
  /** s it keeps, where it doesn't keep all day. */
  readonly potLife?: number;
  /** Its place among all fills of its vessel, from 0. */
  readonly place: number;
  /** What is done to the vessel before it; absent in a clean vessel. */
  readonly rinse?: RunRinse;
}

/** A vessel emptied and rinsed for another mix; of the same product at another strength it is only emptied. */
export interface RunRinse {
  readonly rinses: 0 | 1 | 2;
  readonly reason?: RinseReason;
  /** m³ of the mix before, heel and all, that is poured out first. */
  readonly emptied: number;
}

/** What a machine's tanks do between two stops at tap and drain: m³, and the rooms by share. */
export interface RunTank {
  readonly parts: readonly { readonly roomId: string; readonly share: number }[];
  readonly solution: number;
  readonly recovered: number;
}

/** s after the start, and s it lasts. */
export interface Break {
  readonly id: string;
  readonly at: number;
  readonly length: number;
}

/** A step at a second of the person's choosing. */
export interface Pin {
  readonly stepId: string;
  readonly at: number;
}

/** A part of a room as it was worked: its number there, from 1, and shares of the room from its far corner. */
export interface WorkedPart {
  readonly number: number;
  readonly from: number;
  readonly to: number;
}

/** What is known of a step: s after the start, who has it or did it, from 0, and of which part of which room. */
export interface StepProgress {
  readonly start?: number;
  readonly end?: number;
  readonly skipped?: number;
  readonly who?: number;
  readonly roomId?: string;
  readonly part?: WorkedPart;
  /** The step it follows at once, which was begun with it and isn't done: it keeps its part of the room. */
  readonly joined?: string;
  /** What a step of somebody's own is called. */
  readonly what?: string;
}

/** Who cleans and who sprays, fills and agitates, from 0. What is neither is done by whoever is free. */
export interface Roles {
  readonly cleans: number;
  readonly sprays: number;
}

export interface RunCrew {
  readonly people: number;
  /** Circuits that motors may be plugged into at a time. */
  readonly circuits: number;
  /** Who cleans and who sprays; absent: whoever is free. */
  readonly roles?: Roles;
  readonly pace?: CrewPace;
}

export interface RunInput {
  /** In the order worked; passages left out. */
  readonly rooms: readonly RunRoom[];
  /** Every room is vacuumed before anything is sprayed or cleaned. */
  readonly vacuumFirst?: boolean;
  readonly fills: readonly RunFill[];
  readonly tanks: readonly RunTank[];
  readonly crew: RunCrew;
  readonly breaks: readonly Break[];
  readonly pins: readonly Pin[];
  /** Second by which a room should have been left, by room id. */
  readonly roomDueDates?: ReadonlyMap<string, number>;
  /** Seconds after the start at which rooms were really finished, by id. */
  readonly finishedSeconds?: ReadonlyMap<string, number>;
  /** What is known of single steps, by id, and the second it is now: where the run is under way. */
  readonly logged?: ReadonlyMap<string, StepProgress>;
  readonly now?: number;
}
