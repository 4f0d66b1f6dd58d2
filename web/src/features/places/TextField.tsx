import { QuantityField } from "../../ui/QuantityField.tsx";

interface Props {
  readonly label: string;
  readonly value: string | undefined;
  readonly most: number;
  readonly placeholder?: string;
  readonly hint?: string;
  readonly onChange: (text: string | undefined) => void;
}

/** A line of words that may be left empty. */
export function TextField({ label, value, most, placeholder, hint, onChange }: Props) {
  return (
    <QuantityField
      label={label}
      words
      value={value}
      show={String}
      read={(text) => {
        const said = text.trim();
        return said.length > most ? { error: `Too long. Use ${most} characters at most.` } : { value: said };
      }}
      {...(placeholder === undefined ? {} : { placeholder })}
      hint={hint}
      onChange={(text) => {
        onChange(text === "" ? undefined : text);
        return undefined;
      }}
    />
  );
}
