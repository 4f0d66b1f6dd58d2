import * as z from "zod";
import { Crew, CrewSettings } from "../crew.ts";
import { CrewFile } from "../crewFile.ts";
import { endpoint, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const crewEndpoints = {
  readCrew: endpoint({
    method: "get",
    path: PATHS.readCrew,
    summary: "The crew, its settings, and the contract version the server speaks",
    response: z.strictObject({
      crew: Crew,
      settings: CrewSettings,
      contract: z.int().meta({ description: "Contract version the server was built with" }),
    }),
    errors: [],
  }),
  readCrewData: endpoint({
    method: "get",
    path: PATHS.readCrewData,
    summary: "All crew data except photos, as one file in the open format",
    response: CrewFile,
    errors: [],
  }),
  saveSettings: endpoint({
    method: "put",
    path: PATHS.saveSettings,
    summary: "Change crew settings; the last save wins",
    body: CrewSettings,
    response: CrewSettings,
    errors: WRITE_ERRORS,
  }),
};
