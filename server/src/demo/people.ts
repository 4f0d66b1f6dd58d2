import { demoId } from "./demoId.ts";

/** The demo's people, one for each role. */
export const PEOPLE = [
  { id: demoId("person", 1), name: "Mira", email: "mira@demo.invalid", role: "owner" },
  { id: demoId("person", 2), name: "Osei", email: "osei@demo.invalid", role: "technician" },
  { id: demoId("person", 3), name: "Tamsin", email: "tamsin@demo.invalid", role: "trainee" },
  { id: demoId("person", 4), name: "Ilse", email: "ilse@demo.invalid", role: "bookkeeper" },
] as const;
