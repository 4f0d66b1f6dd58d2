import { ChevronRight } from "lucide-react";
import { Link } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { isWhole } from "../../planning/jobPrice.ts";
import { useJobPrice } from "../../planning/useJobPrice.ts";
import { useMoney } from "../../state/useMoney.ts";

/** The way to the job's price, with the price. */
export function PriceLink({ desk }: { readonly desk: JobDesk }) {
  const price = useJobPrice(desk);
  const money = useMoney();
  return (
    <Link
      to={`/jobs/${desk.job.id}/price`}
      className="flex min-h-14 items-center justify-between gap-3 border-ink border-t-2 border-b hover:text-accent"
    >
      <span className="font-semibold">Price</span>
      <span className="flex items-center gap-2">
        {price && (
          <span className="font-mono">{isWhole(price) ? money.showMinor(price.total) : "not complete"}</span>
        )}
        <ChevronRight aria-hidden size={20} className="text-accent" />
      </span>
    </Link>
  );
}
