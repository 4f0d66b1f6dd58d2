import { type CrewId, CrewId as CrewIdSchema, Role } from "@scutch/contract";

/** Where it is remembered; other tabs hear when it changes. */
export const CREW_KEY = "scutch-crew";
/** Set while a sign-out has still to reach the server. */
const SIGNING_OUT = "scutch-signing-out";

/** Whose work this device had open last: with no signal, that is what it opens. */
export interface RememberedCrew {
  readonly id: CrewId;
  /** Name of its database here. */
  readonly database: string;
  /** Who works here; absent on a device that was last open before there were accounts. */
  readonly person?: { readonly id: string; readonly name: string };
  readonly role?: Role;
  readonly demo?: boolean;
}

/** A crew and a person have a database of their own: two people on one phone never send each other's work. */
export const databaseOf = (crewId: CrewId, personId: string): string => `scutch-${crewId}-${personId}`;

function parsed(text: string): RememberedCrew | undefined {
  // Before there were accounts it was the crew's id alone.
  const legacy = CrewIdSchema.safeParse(text);
  if (legacy.success) return { id: legacy.data, database: `scutch-${legacy.data}` };
  const { id, database, person, role, demo } = JSON.parse(text) as RememberedCrew;
  const known = CrewIdSchema.safeParse(id);
  if (!known.success || typeof database !== "string") return undefined;
  const said = Role.safeParse(role);
  return {
    id: known.data,
    database,
    ...(person ? { person } : {}),
    ...(said.success ? { role: said.data } : {}),
    ...(demo ? { demo } : {}),
  };
}

export function rememberedCrew(): RememberedCrew | undefined {
  try {
    const text = localStorage.getItem(CREW_KEY);
    return text === null ? undefined : parsed(text);
  } catch {
    return undefined;
  }
}

export function rememberCrew(crew: RememberedCrew): void {
  try {
    localStorage.setItem(CREW_KEY, JSON.stringify(crew));
  } catch {
    // Without it the server is asked at each start.
  }
}

/** Who signs in takes over the database of the crew that was here before there were accounts, else has one of their own. */
export function databaseFor(crewId: CrewId, personId: string): string {
  const before = rememberedCrew();
  const isLegacy = before?.id === crewId && before.person === undefined;
  return isLegacy ? before.database : databaseOf(crewId, personId);
}

export function forgetCrew(): void {
  try {
    localStorage.removeItem(CREW_KEY);
  } catch {
    // Nothing is remembered where nothing can be.
  }
}

/** Whether somebody signed out here whom the server doesn't know of yet. */
export function isSigningOut(): boolean {
  try {
    return localStorage.getItem(SIGNING_OUT) !== null;
  } catch {
    return false;
  }
}

export function noteSigningOut(isUnderWay: boolean): void {
  try {
    if (isUnderWay) localStorage.setItem(SIGNING_OUT, "1");
    else localStorage.removeItem(SIGNING_OUT);
  } catch {
    // The server is told now or not at all.
  }
}
