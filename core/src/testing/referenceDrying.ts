/**
 * The equations of docs/model.md §5–§7 written down once more, plainly, for the tests: midpoint steps of a few seconds, the
 * surface's temperature by bisection, one formula after the other, nothing shared with the solver but the isotherm.
 */

import { humidityRatioFromRelativeHumidity, saturationPressure } from "../air/index.ts";
import type { Building, Climate, DryingRoom } from "../drying/building.ts";
import { regain, waterActivity } from "../drying/fibre.ts";
import { itemAt, numberAt } from "../itemAt.ts";

interface Ready {
  readonly touchDryHours: number | null;
  readonly dryHours: number | null;
}

const density = (pressure: number, T: number) => pressure / (461.5 * (T + 273.15));
const saturated = (T: number) => density(saturationPressure(T), T);

export function slowDrying(building: Building, step: number, until: number): Ready[] {
  const p = building.pressure ?? 101325;
  const rooms = building.rooms.map((room) => ({
    ...room,
    m: room.faceWeight * regain(room.fibre, room.relativeHumidity) + room.residual,
    W: humidityRatioFromRelativeHumidity(room.temperature, room.relativeHumidity, p),
    T: room.temperature,
    touchDry: null as number | null,
    dry: null as number | null,
  }));
  type State = (typeof rooms)[number];
  const settings = building.rooms.map((room) => ({ ...room }) as DryingRoom);

  const outdoors = (hours: number) => {
    const points = building.weather ?? [
      { hours: 0, ...(building.outdoor as { temperature: number; relativeHumidity: number }) },
    ];
    const W = points.map((at) => humidityRatioFromRelativeHumidity(at.temperature, at.relativeHumidity, p));
    const right = points.findIndex((at) => at.hours > hours);
    const at = (i: number) => ({ T: points[i]?.temperature as number, W: numberAt(W, i) });
    if (right === 0) return at(0);
    if (right < 0) return at(points.length - 1);
    const [a, b] = [points[right - 1]?.hours as number, points[right]?.hours as number];
    const share = (hours - a) / (b - a);
    const [left, next] = [at(right - 1), at(right)];
    return { T: left.T + share * (next.T - left.T), W: left.W + share * (next.W - left.W) };
  };

  const evaporation = (room: DryingRoom, now: DryingRoom, { m, W, T }: Pick<State, "m" | "W" | "T">) => {
    let thrust = 0;
    for (const { flow, jetSpeed } of now.airMovers ?? []) thrust += flow * jetSpeed;
    const S = 2 * room.area + 4 * Math.sqrt(room.area) * room.height;
    const v = now.airSpeed ?? Math.min(7, Math.sqrt(0.1 ** 2 + (2 * thrust) / (0.05 * S)));
    const hc = 2.8 + 3 * v;
    const hm = hc / (1.2 * 1006 * 0.87 ** (2 / 3));
    const mc = 12.5 * room.pileHeight;
    const rest = room.faceWeight * regain(room.fibre, room.relativeHumidity);
    const s = 1 - Math.min(1, Math.max(0, (m - rest) / mc));
    const R = (s * room.pileHeight) / (0.6 * 2.6e-5);
    const aw =
      m >= room.faceWeight * regain(room.fibre, 1) ? 1 : waterActivity(room.fibre, m / room.faceWeight);
    const air = density((W * p) / (0.621945 + W), T);
    let [low, high] = [T - 60, T + 60];
    const flux = (Ts: number) => (aw * saturated(Ts) - air) / (1 / hm + R);
    for (let i = 0; i < 40; i++) {
      const Ts = (low + high) / 2;
      if ((hc + 5.1) * (T - Ts) + 2 * (T - 1 - Ts) > 2.45e6 * flux(Ts)) low = Ts;
      else high = Ts;
    }
    return { flux: flux(low), heat: (hc + 5.1) * (T - low) };
  };

  const slopes = (hours: number, states: readonly Pick<State, "m" | "W" | "T">[]) => {
    const out = outdoors(hours);
    return states.map((state, i) => {
      const room = itemAt(building.rooms, i);
      const now = itemAt(settings, i);
      const air = 1.2 * room.area * room.height;
      const climate: Climate = now.climate ?? { mode: "held" };
      let vapour = ((air * now.outdoorAirChangesPerHour) / 3600) * (out.W - state.W);
      let heat = ((air * now.outdoorAirChangesPerHour) / 3600) * 1006 * (out.T - state.T);
      heat += (room.envelopeConductance ?? 2 * room.area) * (out.T - state.T);
      for (const { a, b, flow } of building.links ?? []) {
        const other = a === i ? states[b] : b === i ? states[a] : undefined;
        if (!other) continue;
        vapour += 1.2 * flow * (other.W - state.W);
        heat += 1.2 * flow * 1006 * (other.T - state.T);
      }
      for (const { power = 0 } of now.airMovers ?? []) heat += power;
      heat += now.dehumidifierPower ?? 0;
      const rho = density((state.W * p) / (0.621945 + state.W), state.T);
      const phi = Math.min(100, (100 * rho) / saturated(state.T));
      const f =
        -1.162525707 +
        0.02271469 * state.T -
        0.000113208 * state.T ** 2 +
        0.021110538 * phi -
        0.0000693034 * phi ** 2 +
        0.000378843 * state.T * phi;
      const drawn = ((now.dehumidifierLitresPerDay ?? 0) / 86400) * Math.max(0, f);
      const still = 3.1 / (1.2 * 1006 * 0.87 ** (2 / 3));
      const rained =
        (2 * room.area + 4 * Math.sqrt(room.area) * room.height) *
        still *
        Math.max(0, rho - saturated(state.T));
      vapour -= drawn + rained;
      heat += 2.45e6 * (drawn + rained);
      if (climate.mode === "heated")
        heat += climate.capacity * Math.min(1, Math.max(0, climate.setpoint + 0.5 - state.T));
      let flux = 0;
      if (hours >= (room.finishedAt ?? 0) - 1e-9) {
        const drying = evaporation(room, now, state);
        flux = drying.flux;
        heat -= room.area * drying.heat;
      }
      return {
        m: -flux,
        W: (room.area * flux + vapour) / (9 * air),
        T: climate.mode === "held" ? 0 : heat / (room.heatCapacity ?? 80e3 * room.area),
      };
    });
  };

  for (let k = 0; k * step < until * 3600; k++) {
    const hours = (k * step) / 3600;
    for (const { hours: when, room, ...change } of building.changes ?? [])
      if (Math.abs(when - hours) < step / 7200) settings[room] = { ...itemAt(settings, room), ...change };
    const first = slopes(hours, rooms);
    const middle = rooms.map((room, i) => ({
      m: room.m + (first[i]?.m as number) * (step / 2),
      W: room.W + (first[i]?.W as number) * (step / 2),
      T: room.T + (first[i]?.T as number) * (step / 2),
    }));
    const second = slopes(hours + step / 7200, middle);
    rooms.forEach((room, i) => {
      const before = room.m;
      room.m += (second[i]?.m as number) * step;
      room.W += (second[i]?.W as number) * step;
      room.T += (second[i]?.T as number) * step;
      const rest =
        room.faceWeight * regain(room.fibre, Math.min(1, Math.max(0.65, room.relativeHumidity + 0.1)));
      const crossed = (level: number) =>
        room.m > level
          ? null
          : before <= level
            ? hours
            : hours + ((before - level) / (before - room.m)) * (step / 3600);
      if (hours < (room.finishedAt ?? 0) - 1e-9) return;
      const after = (level: number) => {
        const at = crossed(level);
        return at === null ? null : at - (room.finishedAt ?? 0);
      };
      room.dry ??= after(rest + 0.01);
      room.touchDry ??= after(rest + Math.max(0.01, 6.25 * room.pileHeight));
    });
    if (rooms.every((room) => room.dry !== null)) break;
  }
  return rooms.map((room) => ({ touchDryHours: room.touchDry, dryHours: room.dry }));
}
