import {
  type Covering,
  guideFor,
  isHardFloor,
  type KnownFibre,
  ORIGIN_FACTS,
  type Origin,
} from "@scutch/core/care";
import { COVERING_NAMES, FIBRE_NAMES, ORIGIN_SHORT } from "../../format/words.ts";

/** A fresh spot of a hand's breadth: what is asked about where nothing else is said. */
const SPOT = { nature: "not-sure", age: "fresh", area: 0.01 } as const;

interface Props {
  readonly origin: Origin;
  readonly fibre: KnownFibre | undefined;
  readonly covering: Covering | undefined;
}

/** How a spot is worked on one floor, by the same guide that works it on a job: what that floor doesn't take is barred. */
export function Answer({ origin, fibre, covering }: Props) {
  const floor = {
    covering: covering ?? (fibre === "plant" ? ("coir" as const) : ("cut-pile" as const)),
    fibre: fibre ?? ("unknown" as const),
  };
  const { steps, warn } = guideFor({ ...SPOT, origin }, floor, [], []);
  const on = fibre ? FIBRE_NAMES[fibre].toLowerCase() : COVERING_NAMES[floor.covering].toLowerCase();
  const open = steps.filter(({ state }) => state !== "barred");
  const barred = steps.filter(({ state }) => state === "barred");
  return (
    <section
      aria-label={`${ORIGIN_SHORT[origin]} on ${on}`}
      className="mt-5 max-w-2xl border-accent border-t-4 bg-paper px-4 pt-3 pb-4"
    >
      <h2 className="font-bold text-xl">
        {ORIGIN_SHORT[origin]} on {on}
      </h2>
      {!fibre && !isHardFloor(floor.covering) && (
        <p className="text-soft text-sm">Fibre not set: shown for the most delicate likely fibre.</p>
      )}
      {warn && <p className="mt-1 font-semibold text-caution-ink">{warn}</p>}
      <ol className="mt-2 grid gap-1">
        {open.map(({ agent, facts, judgement }, i) => (
          <li key={agent} className="flex gap-3 border-rule border-t py-1.5">
            <span className="w-5 shrink-0 font-mono text-soft">{i + 1}</span>
            <span>
              <strong>{facts.name}.</strong> {facts.how}
              {judgement?.reasons
                .filter(({ verdict }) => verdict === "caution")
                .slice(0, 1)
                .map(({ why, lift }) => (
                  <span key={why} className="block text-caution-ink text-sm">
                    {why} {lift}
                  </span>
                ))}
              {facts.gated && <span className="block text-caution-ink text-sm">Only after a dye test.</span>}
            </span>
          </li>
        ))}
      </ol>
      {barred.map(({ agent, facts, judgement }) => (
        <p key={agent} className="mt-1 border-stop border-l-4 pl-2 text-sm">
          <strong className="text-stop">Not on {facts.name.toLowerCase()}.</strong>{" "}
          {judgement?.reasons.find(({ verdict }) => verdict === "stop")?.why}
        </p>
      ))}
      <p className="mt-2 text-soft text-sm">
        Gentle to strong, rinsed between steps. Stop when nothing more comes out. Tell the customer:{" "}
        {ORIGIN_FACTS[origin].tell} Follow the product’s label first.
      </p>
    </section>
  );
}
