import type { Endpoints } from "../endpoints/index.ts";

/** What an endpoint is asked with. */
export interface Asked {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: object;
}

/** Things of a crew that requests can be about. */
interface Things {
  readonly crewId: string;
  readonly jobId: string;
  readonly photoId: string;
  readonly technicianId: string;
  /** Of someone who has signed in on a device. */
  readonly traineeId: string;
  /** An id that is nowhere yet. */
  readonly newId: (n: number) => string;
}

type Ask = (method: "get" | "post", path: string, body?: object) => Promise<ReturnType<typeof JSON.parse>>;

/** One good request of each endpoint, all of it about what one crew has. `ask` asks as its owner. A new endpoint doesn’t compile without one. */
export async function requestOfEach(
  ask: Ask,
  { crewId, jobId, photoId, technicianId, traineeId, newId }: Things,
): Promise<Readonly<Record<keyof Endpoints, Asked>>> {
  const shelf = await ask("get", "/shelf");
  const { job, version } = await ask("get", `/jobs/${jobId}`);
  const { lots } = await ask("get", "/stock");
  const { settings } = await ask("get", "/crew");
  const { invite, code } = await ask("post", "/crew/invites", { role: "trainee" });
  const { devices } = await ask("get", "/crew/devices");
  const device = devices.find(
    (each: { readonly person: { readonly id: string } }) => each.person.id === traineeId,
  );
  const [product, vessel, gear, site] = [shelf.products[0], shelf.vessels[0], shelf.gear[0], shelf.sites[0]];
  const person = { name: "X", email: "x@example.test", password: "long enough to pass" };
  const personId = technicianId;
  const [day, at] = ["2026-03-10", "2026-03-10T09:00:00Z"];
  return {
    readDoor: {},
    startCrew: { body: { crew: "X", ...person } },
    readInvite: { params: { code } },
    joinCrew: { params: { code }, body: {} },
    readMe: {},
    chooseDemoRole: { body: { role: "trainee" } },
    listMembers: {},
    changeRole: { params: { personId }, body: { role: "trainee" } },
    removeMember: { params: { personId } },
    leaveCrew: { body: { crew: crewId } },
    listInvites: {},
    makeInvite: { body: { role: "trainee" } },
    withdrawInvite: { params: { inviteId: invite.id } },
    listDevices: {},
    signOutDevice: { params: { sessionId: device.id } },
    readAudit: {},
    readMailbox: {},
    readChanges: { query: { since: "0" } },
    readCrew: {},
    readCrewData: {},
    readCrewArchive: {},
    readCrewUsage: {},
    closeCrew: { body: { name: "not its name" } },
    keepCrew: {},
    saveSettings: { body: settings },
    readForecast: { params: { siteId: site.id }, query: { from: at } },
    listJobs: { query: { site: site.id } },
    readVisits: { query: { today: day } },
    catchUpJobs: { body: { jobs: [{ id: jobId, version: 0, logMark: 0 }] } },
    readRawJob: { params: { jobId } },
    readJob: { params: { jobId } },
    purgeJob: { params: { jobId } },
    saveJob: { params: { jobId }, body: { baseVersion: version, job } },
    readLog: { params: { jobId } },
    appendLog: {
      params: { jobId },
      body: {
        entries: [{ id: newId(1), at, kind: "note", text: "x" }],
      },
    },
    listPhotos: { params: { jobId } },
    addPhoto: {
      params: { jobId, photoId: newId(2) },
      query: { moment: "after", takenAt: at },
    },
    readPicture: { params: { photoId } },
    removePhoto: { params: { photoId } },
    saveRecord: { body: { kind: "product", value: product } },
    readShelf: {},
    saveProduct: { params: { productId: product.id }, body: product },
    saveVessel: { params: { vesselId: vessel.id }, body: vessel },
    saveGear: { params: { gearId: gear.id }, body: gear },
    saveSite: { params: { siteId: site.id }, body: site },
    readStock: {},
    saveLot: { params: { lotId: lots[0].id }, body: lots[0] },
  };
}
