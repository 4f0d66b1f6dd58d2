import { Link } from "react-router";
import { Empty } from "../ui/States.tsx";

/** A phase that has nothing to work on until a room is typed. */
export function NoRooms({ title, follows }: { readonly title: string; readonly follows: string }) {
  return (
    <div className="px-4 sm:px-7">
      <Empty title={title}>
        <Link to="../survey" relative="path" className="font-semibold text-accent underline">
          Add a room
        </Link>{" "}
        to see {follows}.
      </Empty>
    </div>
  );
}
