import type { ReactNode } from "react";
import type { AccountFault } from "../../device/account.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { FieldError } from "../../ui/FieldFrame.tsx";

interface Props {
  readonly title: string;
  readonly fault?: AccountFault | undefined;
  readonly children: ReactNode;
}

export function Section({ title, fault, children }: Props) {
  return (
    <section className="border-ink border-t-2 pt-3">
      <h2 className="font-semibold text-lg">{title}</h2>
      <FieldError sentence={fault && faultText(fault)} />
      {children}
    </section>
  );
}
