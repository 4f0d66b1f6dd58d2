import { SaturatedVapour } from "../air/index.ts";
import { floatAt } from "../itemAt.ts";
import { HEAT_OF_EVAPORATION } from "../physical.ts";
import { airSpeedIn } from "./airSpeed.ts";
import type { DryingRoom, RoomSettings } from "./building.ts";
import { Isotherm, regain } from "./fibre.ts";
import { criticalWater, dryLayerResistance } from "./pile.ts";
import type { RoomAir } from "./roomAir.ts";
import {
  convection,
  type Evaporation,
  evaporate,
  type FluxSlopes,
  fluxSlopes,
  heatFromRoom,
  massTransfer,
  type Surface,
  shareFromRoom,
} from "./surface.ts";

/** Air a pile dries into, by its room's place: °C and kg/m³ of vapour. */
interface Still {
  readonly T: Float64Array;
  readonly vapour: Float64Array;
}

/**
 * One room's pile: what it holds before cleaning, and how fast its water leaves. After {@link dry} the flux and the
 * heat it takes stand in the fields; after {@link linearise} their slopes too.
 */
export class WetPile {
  /** kg/m² the fibre held before cleaning. */
  readonly equilibriumWater: number;
  private readonly critical: number;
  private readonly surface: Surface;
  private readonly evaporation: Evaporation;
  private readonly saturated = new SaturatedVapour();
  private readonly slopes: FluxSlopes = { byActivity: 0, byVapour: 0, byKelvin: 0, byResistance: 0 };
  private readonly rateFactor: number;
  private readonly isotherm: Isotherm;

  /** m/s at the floor, as things are switched now. */
  airSpeed = 0;
  /** Vapour leaving, kg/(m² s), and heat the room gives for it, W/m². */
  flux = 0;
  heat = 0;
  /** The flux by water in the pile (1/s), by the air's humidity ratio and by its temperature. */
  byWater = 0;
  byRatio = 0;
  byKelvin = 0;
  /** W/m² of room heat for each kg/(m² s). */
  heatPerFlux = 0;

  constructor(private readonly room: DryingRoom) {
    this.equilibriumWater = room.faceWeight * regain(room.fibre, room.relativeHumidity);
    this.critical = criticalWater(room.pileHeight);
    this.isotherm = new Isotherm(room.fibre);
    this.rateFactor = room.rateFactor ?? 1;
    this.surface = {
      airTemperature: room.temperature,
      convection: 0,
      massTransfer: 0,
      layerResistance: 0,
      waterActivity: 1,
      airVapourDensity: 0,
    };
    this.evaporation = { flux: 0, surfaceTemperature: room.temperature - 3 };
    this.switchTo(room);
  }

  /** °C of the wet surface after {@link dry}. */
  get surfaceTemperature(): number {
    return this.evaporation.surfaceTemperature;
  }

  /** Takes the fans as they stand from now on. */
  switchTo(settings: RoomSettings): void {
    this.airSpeed = airSpeedIn(settings, this.room);
    this.surface.convection = convection(this.airSpeed);
    this.surface.massTransfer = massTransfer(this.surface.convection);
    this.heatPerFlux = shareFromRoom(this.surface) * HEAT_OF_EVAPORATION;
  }

  /** Flux from the pile holding `water` kg/m² into the air of room i. */
  dry(water: number, air: Still, i: number): void {
    const { room, surface, evaporation } = this;
    const receded = 1 - Math.min(Math.max((water - this.equilibriumWater) / this.critical, 0), 1);
    surface.layerResistance = dryLayerResistance(room.pileHeight, receded);
    surface.waterActivity = this.isotherm.activity(water / room.faceWeight);
    surface.airTemperature = floatAt(air.T, i);
    surface.airVapourDensity = floatAt(air.vapour, i);
    evaporate(surface, this.saturated, evaporation);
    this.flux = evaporation.flux * this.rateFactor;
    this.heat = heatFromRoom(surface, evaporation);
  }

  /** The slopes of the flux where {@link dry} has just been. */
  linearise(water: number, air: RoomAir, i: number): void {
    const { room, slopes, rateFactor } = this;
    fluxSlopes(this.surface, this.saturated, this.evaporation, slopes);
    const share = (water - this.equilibriumWater) / this.critical;
    const resisting = share > 0 && share < 1 ? -dryLayerResistance(room.pileHeight, 1) / this.critical : 0;
    const activity = this.isotherm.slope / room.faceWeight;
    this.byWater = rateFactor * (slopes.byActivity * activity + slopes.byResistance * resisting);
    this.byRatio = rateFactor * slopes.byVapour * air.vapourPerRatio(i);
    this.byKelvin = rateFactor * (slopes.byKelvin + slopes.byVapour * air.vapourPerKelvin(i));
  }
}
