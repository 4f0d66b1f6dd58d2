import { nameReader } from "../format/readers.ts";
import { QuantityField } from "./QuantityField.tsx";

interface Props {
  readonly label?: string;
  readonly value: string | undefined;
  /** What it is called unless another name is typed. */
  readonly placeholder?: string;
  readonly onChange: (name: string | undefined) => string | undefined | undefined;
  readonly fault?: string | undefined;
}

/** A name of something: words, at least one letter. */
export function NameField(props: Props) {
  return <QuantityField label="Name" show={(name) => name} words read={nameReader} {...props} />;
}
