import { Label, Radio, RadioGroup } from "@headlessui/react";

interface Props<T extends string | number> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly name: string }[];
  readonly onChange: (value: T) => void;
  readonly assumed?: boolean;
  /** The label is for those who hear it: to the eye the choices say it themselves. */
  readonly labelHidden?: boolean;
}

/** A few choices side by side, the one that stands filled. */
export function Segmented<T extends string | number>({
  label,
  value,
  options,
  onChange,
  assumed,
  labelHidden,
}: Props<T>) {
  return (
    <RadioGroup value={value} onChange={onChange}>
      <Label
        className={
          labelHidden ? "sr-only" : "flex min-h-6 flex-wrap items-center justify-between text-sm text-soft"
        }
      >
        {label}
        {assumed && <span className="text-caution-ink">assumed</span>}
      </Label>
      <div className="flex flex-wrap rounded-md border border-rule">
        {options.map((option) => (
          <Radio
            key={String(option.value)}
            value={option.value}
            className="flex min-h-12 min-w-min flex-1 items-center justify-center border-rule border-r px-1 text-center font-semibold text-sm leading-tight min-[370px]:px-2 min-[370px]:text-base last:border-r-0 data-checked:bg-ink data-checked:text-ground"
          >
            {option.name}
          </Radio>
        ))}
      </div>
    </RadioGroup>
  );
}
