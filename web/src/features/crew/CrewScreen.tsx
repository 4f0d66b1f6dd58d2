import { may } from "@scutch/contract";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { Loading } from "../../ui/States.tsx";
import { AuditList } from "./AuditList.tsx";
import { CrewChoice } from "./CrewChoice.tsx";
import { CrewData } from "./CrewData.tsx";
import { DeviceList } from "./DeviceList.tsx";
import { InviteSection } from "./InviteSection.tsx";
import { Mailbox } from "./Mailbox.tsx";
import { MemberList } from "./MemberList.tsx";
import { PasswordSection } from "./PasswordSection.tsx";

/** The people of the crew, where they are signed in, and one's own account. */
export function CrewScreen() {
  const { me, name } = useAppSelector(selectCrew);
  if (!me)
    return (
      <div className="px-4 pt-5 sm:px-7">
        <Loading what="the crew" />
      </div>
    );
  const manages = may(me.role, "manage-crew");
  return (
    <div className="grid grid-cols-1 items-start gap-x-10 gap-y-8 px-4 pt-4 pb-16 sm:px-7 sm:pt-6 lg:grid-cols-[1fr_24rem]">
      <div className="grid min-w-0 gap-8">
        <div>
          <h1 className="font-bold text-2xl">{name ?? "Crew"}</h1>
          <MemberList me={me} />
        </div>
        {manages && <InviteSection isDemo={me.demo} />}
        <DeviceList />
      </div>
      <div className="grid min-w-0 gap-8">
        {!me.demo && <CrewChoice />}
        {!me.demo && <PasswordSection />}
        {manages && <Mailbox />}
        {manages && <CrewData isDemo={me.demo} />}
        {manages && <AuditList />}
      </div>
    </div>
  );
}
