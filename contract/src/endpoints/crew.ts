import * as z from "zod";
import { Crew, CrewSettings } from "../crew.ts";
import { CrewFile } from "../crewFile.ts";
import { endpoint, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const crewEndpoints = {
  readCrew: endpoint({
    method: "get",
    path: PATHS.readCrew,
    summary: "Whose work this is, its settings, and which contract the server speaks",
    response: z.strictObject({
      crew: Crew,
      settings: CrewSettings,
      contract: z.int().meta({ description: "Version of this contract the server was built with" }),
    }),
    errors: [],
  }),
  readCrewData: endpoint({
    method: "get",
    path: PATHS.readCrewData,
    summary: "Everything of the crew but its pictures, as one file in the open format",
    response: CrewFile,
    errors: [],
  }),
  saveSettings: endpoint({
    method: "put",
    path: PATHS.saveSettings,
    summary: "Change what the crew has set; the last save stands",
    body: CrewSettings,
    response: CrewSettings,
    errors: WRITE_ERRORS,
  }),
};
