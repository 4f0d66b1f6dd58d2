import type { Site } from "@scutch/contract";
import { group } from "d3";
import { useId } from "react";
import { saveRecord } from "../../device/changes.ts";
import { deviceZone } from "../../device/deviceZone.ts";
import { timesIn } from "../../format/time.ts";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { useNow } from "../../ui/useNow.ts";

/** Zones by their first word: Africa, America, … */
function zonesByArea(own: string | undefined) {
  const known = new Set([...Intl.supportedValuesOf("timeZone"), deviceZone(), ...(own ? [own] : [])]);
  return group([...known].toSorted(), (zone) => (zone.includes("/") ? (zone.split("/")[0] ?? "") : "Other"));
}

/** The time zone of a place: the clock all hours of its jobs are read by. */
export function ZoneField({ site }: { readonly site: Site }) {
  const id = useId();
  const now = useNow();
  const choose = (zone: string) => {
    const { zone: _before, ...rest } = site;
    saveRecord("site", zone === "" ? rest : { ...rest, zone }, site);
  };
  return (
    <label htmlFor={id} className="block pb-2 text-sm text-soft">
      Time zone of this place
      <select
        id={id}
        className={inputLook(false)}
        value={site.zone ?? ""}
        onChange={({ target }) => choose(target.value)}
      >
        <option value="">By the clock of each device</option>
        {[...zonesByArea(site.zone)].map(([area, zones]) => (
          <optgroup key={area} label={area}>
            {zones.map((zone) => (
              <option key={zone} value={zone}>
                {zone.replaceAll("_", " ").replaceAll("/", ", ")}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
      {site.zone !== undefined && `It is ${timesIn("24", site.zone).clock(now)} there now.`}
    </label>
  );
}
