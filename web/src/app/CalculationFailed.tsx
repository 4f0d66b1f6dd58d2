import { retryCalculations } from "../planning/failedCalculations.ts";
import { Button } from "../ui/Button.tsx";
import { Callout } from "../ui/Callout.tsx";

/** A calculation in the worker broke off: what is shown is from before, until it is tried again. */
export function CalculationFailed() {
  return (
    <Callout tone="caution" title="A calculation stopped. Times shown may be out of date.">
      <Button className="mt-2" onClick={retryCalculations}>
        Try again
      </Button>
    </Callout>
  );
}
