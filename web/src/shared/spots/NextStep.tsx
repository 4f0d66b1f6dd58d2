import type { Product, Room, Spot } from "@scutch/contract";
import {
  ATTEMPT_RESULTS,
  type AttemptResult,
  type GuideStep,
  needsProduct,
  protectionFor,
} from "@scutch/core/care";
import { dyeTestStatusOf, hazardsOnFloor } from "@scutch/core/plan";
import { useState } from "react";
import { protectionText, RESULT_NAMES } from "../../format/careWords.ts";
import { formatAmount } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { CheckBox, ChoiceField } from "../../ui/ChoiceField.tsx";
import { clockText, useCountdown } from "../../ui/useCountdown.ts";
import { FloorReaction } from "../care/FloorMeeting.tsx";
import { FloorTestNote } from "../care/FloorTestNote.tsx";
import { productsOn } from "../care/productsOn.ts";
import { useLogging } from "../logging/useLogging.ts";
import { BottleAmounts } from "./BottleAmounts.tsx";
import { bottleOf, productsFor } from "./spotGuide.ts";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly spot: Spot;
  readonly step: GuideStep;
  readonly number: number;
}

/** The step to do now: with what, how much, how long, and what came of it. */
export function NextStep({ desk, room, spot, step, number }: Props) {
  const log = useLogging(desk);
  const { facts, agent } = step;
  const products = productsFor(desk, spot, agent);
  const [productId, setProduct] = useState(products[0]?.id);
  const [pretested, setPretested] = useState(false);
  const clock = useCountdown(step.contact);
  const product = products.find(({ id }) => id === productId);
  const gate = product ? dyeTestStatusOf(desk.input, room, product.id) : "not-needed";
  const gateOpen = gate !== "not-tested" && gate !== "failed";
  const missing = needsProduct(agent) && !product;
  const earlier = productsOn(desk, room.id).filter(({ id }) => id !== productId);
  // By what is on the shelf and was on this floor, not only by what such agents are like.
  const onFloor = product ? hazardsOnFloor(product, earlier, desk.job.rig?.rinseTemperature) : [];
  const barred = onFloor.some(({ onOneFloor }) => onOneFloor === "never");
  const ready = !missing && gateOpen && !barred && (!facts.gated || pretested);
  const finish = (result: AttemptResult) =>
    log({
      kind: "spot-attempt",
      roomId: room.id,
      spotId: spot.id,
      agent,
      ...(product ? { productId: product.id } : {}),
      ...(clock.passed > 0 ? { stood: Math.min(86_400, Math.round(clock.passed)) } : {}),
      result,
    });
  return (
    <section aria-label={`Now: ${facts.name}`} className="border-accent border-t-4 bg-wash px-3 pt-2 pb-3">
      <h4 className="font-bold text-lg">
        {number} {facts.name}
      </h4>
      <p className="mt-1">{facts.how}</p>
      {facts.onCloth && needsProduct(agent) && (
        <p className="mt-1 font-semibold">Put it on the cloth, never on the carpet.</p>
      )}
      {step.attempts.length > 0 && <p className="mt-1 text-sm text-soft">It helped. Do it again.</p>}
      {facts.caution && (
        <div className="mt-2">
          <Callout tone="caution" title={facts.caution} />
        </div>
      )}
      {[...new Set([...step.after, ...onFloor])].map((hazard) => (
        <div key={hazard.pair.join()} className="mt-2">
          <FloorReaction hazard={hazard} />
        </div>
      ))}
      {step.judgement?.reasons
        .filter(({ verdict }) => verdict === "caution")
        .slice(0, 2)
        .map(({ trait, material, why, lift }) => (
          <p key={`${trait} ${material}`} className="mt-1 text-caution-ink text-sm">
            {why} {lift}
          </p>
        ))}
      {missing && (
        <p className="mt-2">
          No product on the shelf is labelled for this step and floor. Add one in Mix, or skip.
        </p>
      )}
      {products.length > 1 && (
        <ChoiceField
          label="With"
          value={productId}
          options={products.map(({ id, name }) => ({ value: id, name }))}
          onChange={setProduct}
        />
      )}
      {product && <BottleLine product={product} amount={step.amount} />}
      {product && !gateOpen && (
        <div className="mt-2">
          <FloorTestNote desk={desk} room={room} product={product} gate={gate} />
        </div>
      )}
      {facts.gated && !missing && (
        <CheckBox
          label="Tested in a hidden spot for the full time, and the colour didn’t bleed"
          checked={pretested}
          onChange={setPretested}
        />
      )}
      {step.contact > 0 && ready && <ContactClock contact={step.contact} clock={clock} />}
      <p className="mt-2 text-sm text-soft">
        {facts.stopWhen} {facts.rinse && "Then rinse with a little plain water and extract."}
      </p>
      {missing || barred ? (
        <Button
          className="mt-2"
          onClick={() => log({ kind: "spot-skipped", roomId: room.id, spotId: spot.id, agent })}
        >
          Skip
        </Button>
      ) : (
        <ResultButtons ready={ready} onResult={finish} />
      )}
    </section>
  );
}

/** What to mix for one spot, m³ of it. */
function BottleLine({ product, amount }: { readonly product: Product; readonly amount: number }) {
  const units = useUnits();
  const bottle = bottleOf(product, amount, units.system);
  return (
    <p className="mt-2">
      <strong>{product.name}</strong>: the spot needs about {formatAmount(units.amount(amount))}.{" "}
      {bottle ? (
        <>
          Mix {formatAmount(units.amount(bottle.made))}: <BottleAmounts bottle={bottle} />
        </>
      ) : (
        "A bottle this small can’t be measured within the label’s range. Mix a whole fill in Mix."
      )}{" "}
      {protectionText(protectionFor(product))} Follow the label first.
    </p>
  );
}

interface ClockProps {
  /** s it is left on. */
  readonly contact: number;
  readonly clock: ReturnType<typeof useCountdown>;
}

function ContactClock({ contact, clock }: ClockProps) {
  return (
    <div className="mt-2 flex items-center gap-3">
      {clock.left === undefined ? (
        <Button onClick={clock.start}>Start timer, {clockText(contact)}</Button>
      ) : (
        <p role="timer" className="font-bold font-mono text-4xl">
          {clockText(clock.left)}
          {clock.left === 0 && <span className="ml-2 font-sans text-base">blot or extract now</span>}
        </p>
      )}
    </div>
  );
}

interface ResultProps {
  readonly ready: boolean;
  readonly onResult: (result: AttemptResult) => void;
}

function ResultButtons({ ready, onResult }: ResultProps) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-2">
      {ATTEMPT_RESULTS.map((result) => (
        <Button
          key={result}
          disabled={!ready}
          className={result === "worse" ? "text-stop" : ""}
          onClick={() => onResult(result)}
        >
          {RESULT_NAMES[result]}
        </Button>
      ))}
    </div>
  );
}
