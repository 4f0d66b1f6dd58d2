import * as z from "zod";

export const ROLES = ["owner", "technician", "trainee", "bookkeeper"] as const;
/** What a person is in a crew. */
export const Role = z.enum(ROLES).meta({ id: "Role" });
export type Role = z.infer<typeof Role>;

/** Everything a role may or may not do. */
export const PERMISSIONS = [
  "read", // jobs, places, van and shelf
  "read-log",
  "read-money",
  "read-customers",
  "read-key-safe",
  "plan",
  "log",
  "quote",
  "hand-over",
  "change-van",
  "change-customers",
  "set-prices",
  "set-crew",
  "manage-crew",
  "export",
  "delete-jobs",
] as const;
export type Permission = (typeof PERMISSIONS)[number];

/** What each role may do: the only place that says so. */
const ROLE_PERMISSIONS: Readonly<Record<Role, readonly Permission[]>> = {
  owner: PERMISSIONS,
  technician: [
    "read",
    "read-log",
    "read-money",
    "read-customers",
    "read-key-safe",
    "plan",
    "log",
    "quote",
    "hand-over",
    "change-van",
    "change-customers",
  ],
  trainee: ["read", "read-log"],
  bookkeeper: [
    "read",
    "read-money",
    "read-customers",
    "quote",
    "hand-over",
    "change-customers",
    "set-prices",
  ],
};

export const may = (role: Role, permission: Permission): boolean =>
  ROLE_PERMISSIONS[role].includes(permission);
