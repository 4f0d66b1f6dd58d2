import type {
  AttemptResult,
  Backing,
  CareProduct,
  Covering,
  FloorFibre,
  Origin,
  Soil,
  SoilNature,
  SpotAge,
} from "../care/index.ts";
import type { Method, Rig } from "../clean/index.ts";
import type { Air, AirMover, Windows } from "../drying/index.ts";
import type { Part, RoomShape, Zones } from "../floor/index.ts";
import type { Strength, Tip, Vessel } from "../mix/index.ts";
import type { Break, CrewPace, Pin, StepProgress, WalkDoor } from "../run/index.ts";
import type { WeatherPoint } from "../weather/index.ts";
import type { RoleChoice } from "./crewRoles.ts";
import type { Interview } from "./interview.ts";

/** A room as surveyed. What is absent hasn't been said: a default stands in and is named as assumed. SI. */
export interface SurveyedRoom {
  readonly id: string;
  readonly name: string;
  readonly shape: RoomShape;
  /** The size is a usual one, not measured yet. */
  readonly sizeAssumed?: true;
  readonly height?: number;
  readonly covering?: Covering;
  readonly parts?: readonly Part[];
  readonly zones?: Zones;
  /** 0 at the way in, 1 upstairs, −1 below. */
  readonly level?: number;
  /** Only walked through, not cleaned. */
  readonly passage?: boolean;
  readonly fibre?: FloorFibre;
  readonly backing?: Backing;
  /** A name of the person's for the carpet, where it lies in other rooms too: one dye test passes them all. */
  readonly carpet?: string;
  readonly soilNature?: SoilNature;
  readonly pileHeight?: number;
  readonly faceWeight?: number;
  readonly soil?: Soil;
  readonly method?: Method;
  readonly padAfter?: boolean;
  /** Pre-spray for the field chosen by hand, m³/m². */
  readonly rate?: number;
  /** Which of the job's batches it is sprayed from; the first where absent. */
  readonly batchId?: string;
  /** Sprayed from none of them. */
  readonly unsprayed?: boolean;
  readonly air?: Air;
  readonly windows?: Windows;
  readonly airSpeed?: number;
  readonly airMovers?: readonly AirMover[];
  readonly dehumidifierLitresPerDay?: number;
  /** Heating on while it dries. */
  readonly heating?: boolean;
}

/** A product as its label has it. Times s, temperature °C. */
export interface ProductLabel extends CareProduct {
  readonly id?: string;
  /** Of an odour treatment: whether it goes on before or after cleaning; after where absent. */
  readonly treats?: "before" | "after" | undefined;
  readonly light: Strength;
  readonly ordinary: Strength;
  readonly heavy: Strength;
  readonly dwellLeast: number;
  readonly dwellMost: number;
  readonly potLife?: number;
  readonly waterTemperature?: number;
  /** kg a scoop holds, where it is a powder. */
  readonly scoop?: number;
}

/** Something that rides on a mix at a strength of its own; the label's ordinary one where absent. */
export interface PlannedBooster {
  readonly product: ProductLabel & { readonly id: string };
  readonly strength?: Strength;
}

export interface PlannedBatch {
  readonly id: string;
  readonly product: ProductLabel;
  readonly vessel: Vessel;
  readonly vesselId?: string;
  /** Step of the measure, m³. */
  readonly measure: number;
  /** Chosen by hand; absent: the label's for the heaviest soil among its rooms. */
  readonly strength?: Strength;
  /** The tip it is drawn through into plain water. */
  readonly tip?: Tip;
  readonly boosters?: readonly PlannedBooster[];
  /** m³ of the same mix still in the vessel. */
  readonly carried?: number;
}

/** A door of the job; shut ones pass no air. */
export interface JobDoor extends WalkDoor {
  readonly shut?: boolean;
}

/** A spot as far as the plan goes. */
export interface PlannedSpot {
  readonly roomId: string;
  readonly origin: Origin;
  readonly nature: "spot" | "stain" | "not-sure";
  /** m². */
  readonly area: number;
  /** m the other way, where it is an area with two sides. */
  readonly long?: number | undefined;
  readonly age?: SpotAge;
  /** How the last attempt on it went; absent: not tried yet. */
  readonly result?: AttemptResult;
}

/** Windows, heating or gear of a room set otherwise, hours after the start; what isn't named stays as it was. */
export interface AirChange {
  readonly hours: number;
  readonly roomId: string;
  /** Planned, whatever the log says; else it was logged. */
  readonly isPlanned?: true;
  readonly windows?: Windows | undefined;
  readonly heating?: boolean | undefined;
  readonly airMovers?: readonly AirMover[] | undefined;
  readonly dehumidifierLitresPerDay?: number | undefined;
  /** °C that the heating is set to, where that isn't the room's own temperature. */
  readonly setpoint?: number | undefined;
}

/** A door opened or closed, hours after the start. */
export interface DoorSwitch {
  readonly hours: number;
  readonly doorId: string;
  readonly isShut: boolean;
}

/** Where hours of weather come from: a person, a forecast, or a file of a usual year. */
export type WeatherSource = "typed" | "forecast" | "file";

/** Air outdoors by the hour, hours after the start. */
export interface PlannedWeather {
  readonly source: WeatherSource;
  readonly points: readonly WeatherPoint[];
}

/** A room taken out of the plan, as far as its dye test goes on counting. */
export type FormerRoom = Pick<SurveyedRoom, "id" | "covering" | "fibre" | "carpet">;

/** A dye or tile test, or an owner's word on one, in the order logged. */
export interface LoggedTest {
  readonly productId: string;
  readonly roomId: string;
  readonly result: "passed" | "failed" | "overridden";
  /** Absent: an owner's word, which holds for either. */
  readonly test?: "dye" | "tile";
}

/** What the tanks showed for some rooms together, m³. */
export interface MeasuredWater {
  readonly roomIds: readonly string[];
  readonly solution: number;
  readonly recovered: number;
}

/** How the job is run. What is absent: one person, two circuits, ceiling fans off while people work. Times s after the start. */
export interface PlannedRun {
  readonly people?: number;
  readonly circuits?: number;
  readonly fansRunning?: boolean;
  /** Every room is vacuumed before anything is sprayed or cleaned. */
  readonly vacuumFirst?: boolean;
  /** How two or more share the work; absent: the first cleans, the second sprays. */
  readonly roles?: RoleChoice;
  readonly breaks?: readonly Break[];
  readonly pins?: readonly Pin[];
  /** Seconds by which a room is to be walked on. */
  readonly promises?: readonly { readonly roomId: string; readonly by: number }[];
}

/** Everything a plan is computed from. Rooms in the order they are worked. */
export interface JobInput {
  /** m above the sea. */
  readonly elevation?: number;
  readonly indoor?: Air;
  /** Measured outdoors at the start. */
  readonly outdoor?: Air;
  /** Holds where it has hours; see weatherSeries for what was measured beside it. */
  readonly weather?: PlannedWeather;
  readonly rooms: readonly SurveyedRoom[];
  readonly batches: readonly PlannedBatch[];
  /** What vessels still hold, unrinsed, from an earlier job of the day: its products, by vessel. */
  readonly vesselContents?: Readonly<Record<string, readonly (CareProduct & { readonly id?: string })[]>>;
  readonly former?: readonly FormerRoom[];
  readonly doors?: readonly JobDoor[];
  readonly interview?: Interview;
  readonly spots?: readonly PlannedSpot[];
  /** What the shelf has against odour. */
  readonly treatments?: readonly ProductLabel[];
  readonly tests?: readonly LoggedTest[];
  readonly rig?: Rig;
  /** How fast the crew works, where it has said so. */
  readonly pace?: CrewPace;
  readonly run?: PlannedRun;
  /** Water measured over some rooms, in the order logged: what stays in them is that, not an estimate. */
  readonly measuredWater?: readonly MeasuredWater[];
  /** What was switched in rooms while they dried, and what is going to be. */
  readonly airChanges?: readonly AirChange[];
  /** Doors opened and closed while rooms dried. */
  readonly doorChanges?: readonly DoorSwitch[];
  /** Hours after the job's start at which rooms were really finished, by id: the truth replaces the plan. */
  readonly finishedHours?: Readonly<Record<string, number>>;
  /** What the log knows of single steps of the run, by id, and the second it is now: where the run is under way. */
  readonly logged?: Readonly<Record<string, StepProgress>>;
  readonly now?: number;
}
