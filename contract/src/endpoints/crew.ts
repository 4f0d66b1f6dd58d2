import * as z from "zod";
import { Me } from "../account.ts";
import { Crew, CrewSettings } from "../crew.ts";
import { CrewFile } from "../crewFile.ts";
import { Role } from "../role.ts";
import { endpoint, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const crewEndpoints = {
  readCrew: endpoint({
    method: "get",
    path: PATHS.readCrew,
    needs: "read",
    summary: "The crew, its settings, who is signed in, and the contract version the server speaks",
    response: z.strictObject({
      crew: Crew,
      person: Me.shape.person.pick({ id: true, name: true }),
      role: Role,
      demo: Me.shape.demo,
      settings: CrewSettings,
      contract: z.int().meta({ description: "Contract version the server was built with" }),
    }),
    errors: [],
  }),
  readCrewData: endpoint({
    method: "get",
    path: PATHS.readCrewData,
    needs: "export",
    summary: "All crew data except photos, as one file in the open format",
    response: CrewFile,
    errors: [403],
  }),
  saveSettings: endpoint({
    method: "put",
    path: PATHS.saveSettings,
    needs: ["set-crew", "set-prices"],
    summary: "Change crew settings; the last save wins",
    body: CrewSettings,
    response: CrewSettings,
    errors: WRITE_ERRORS,
  }),
};
