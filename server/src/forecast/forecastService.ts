import type { Forecast, Site } from "@scutch/contract";

/** Where a forecast is wanted for. */
export type ForecastPlace = Pick<Site, "id" | "zone" | "elevation">;

/** A service that tells the weather to come. A real one is asked over the network; the one that ships is simulated. */
export interface ForecastService {
  /** Hour by hour from a moment on, ms since 1970, as far as it reaches; none where it doesn't reach that far. */
  hourly(place: ForecastPlace, from: number): Promise<Forecast>;
}
