import { type ReactNode, useId } from "react";

interface Props {
  /** Media types and endings, as the browser's own field takes them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}

/** Opens a file of this device; the same one can be opened twice. */
export function FileButton({ accept, onFile, children }: Props) {
  const id = useId();
  return (
    <label
      htmlFor={id}
      className="relative inline-flex min-h-12 cursor-pointer items-center gap-2 rounded-md border border-rule bg-paper px-4 font-semibold focus-within:outline-3 focus-within:outline-accent hover:border-accent"
    >
      {children}
      <input
        id={id}
        type="file"
        accept={accept}
        className="absolute inset-0 cursor-pointer opacity-0"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
