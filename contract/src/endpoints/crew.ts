import * as z from "zod";
import { Me } from "../account.ts";
import { Crew, CrewSettings } from "../crew.ts";
import { CrewFile } from "../crewFile.ts";
import { CLOSING_DAYS, CrewUsage, ROOMS } from "../crewUsage.ts";
import { Instant } from "../moment.ts";
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
      closesAt: Instant.optional().meta({
        description: "An owner deleted the crew: everything goes then, unless an owner keeps it",
      }),
      nearlyFull: z
        .array(z.enum(ROOMS))
        .optional()
        .meta({ description: "For an owner: what takes more than 80 % of the crew’s room" }),
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
  readCrewArchive: endpoint({
    method: "get",
    path: PATHS.readCrewArchive,
    needs: "export",
    summary: "All crew data with its photos, as one zip in the open format. 429 while two others are made",
    file: "application/zip",
    response: z.unknown(),
    errors: [403, 429],
  }),
  readCrewUsage: endpoint({
    method: "get",
    path: PATHS.readCrewUsage,
    needs: "manage-crew",
    summary: "How much of what the crew may keep here is used",
    response: CrewUsage,
    errors: [403],
  }),
  closeCrew: endpoint({
    method: "post",
    path: PATHS.closeCrew,
    needs: "manage-crew",
    summary: `Delete the crew with everything in it, ${CLOSING_DAYS} days from now. 422 where the name isn’t the crew’s`,
    body: z.strictObject({ name: z.string().max(200) }),
    response: z.strictObject({ closesAt: Instant }),
    errors: WRITE_ERRORS,
  }),
  keepCrew: endpoint({
    method: "delete",
    path: PATHS.keepCrew,
    needs: "manage-crew",
    summary: "Keep a crew that was going to be deleted",
    response: z.strictObject({ done: z.literal(true) }),
    errors: [403, 404, 426],
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
