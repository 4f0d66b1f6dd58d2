import { useState } from "react";
import { addRecords } from "../../device/changes.ts";
import { Callout } from "../../ui/Callout.tsx";
import { type CsvFault, productsFromCsv } from "./productCsv.ts";

/** Products read in from a file: all of them, or none and where the file is wrong. */
export function useCsvImport() {
  const [faults, setFaults] = useState<readonly CsvFault[]>([]);
  const [taken, setTaken] = useState<number>();
  const take = async (file: File) => {
    setTaken(undefined);
    setFaults([]);
    if (!file) return;
    const read = productsFromCsv(await file.text());
    if (!read.ok) return setFaults(read.faults);
    await addRecords(read.products.map((value) => ({ kind: "product" as const, value })));
    setTaken(read.products.length);
  };
  return { faults, taken, take };
}

/** How many came in, or the lines with faults. */
export function ImportOutcome({ taken, faults }: Pick<ReturnType<typeof useCsvImport>, "taken" | "faults">) {
  return (
    <>
      {taken !== undefined && (
        <p role="status" className="mt-3 border-accent border-l-4 bg-wash px-4 py-2">
          {taken === 1 ? "One product" : `${taken} products`} imported.
        </p>
      )}
      {faults.length > 0 && (
        <div className="mt-3">
          <Callout tone="stop" title="Nothing imported: the file has errors.">
            <ul>
              {faults.slice(0, 12).map(({ line, column, sentence }) => (
                <li key={`${line} ${column} ${sentence}`}>
                  Line {line}
                  {column && `, ${column}`}: {sentence}
                </li>
              ))}
            </ul>
            {faults.length > 12 && <p>And {faults.length - 12} more.</p>}
          </Callout>
        </div>
      )}
    </>
  );
}
