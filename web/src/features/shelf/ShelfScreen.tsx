import type { Product } from "@scutch/contract";
import { protectionFor } from "@scutch/core/care";
import { leftOf } from "@scutch/core/mix";
import { formatDuration } from "@scutch/core/quantity";
import { Download, Plus, Upload } from "lucide-react";
import { useId, useState } from "react";
import { GEAR_NAMES } from "../../format/careWords.ts";
import { doseOf, labelSpelling } from "../../format/units.ts";
import { PRODUCT_KIND_NAMES } from "../../format/words.ts";
import { ProductDialog } from "../../shared/products/ProductDialog.tsx";
import { WithShelf } from "../../shared/products/WithShelf.tsx";
import { useStock } from "../../shared/stock/useStock.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { Empty } from "../../ui/States.tsx";
import { saveFile } from "../../ui/saveFile.ts";
import { ImportOutcome, useCsvImport } from "./csvImport.tsx";
import { productsToCsv } from "./productCsv.ts";

/** The crew's products, as their labels have them: found by a word, changed in place, out to and in from a CSV file. */
export function ShelfScreen() {
  return <WithShelf what="shelf">{({ products }) => <OpenShelf products={products} />}</WithShelf>;
}

function OpenShelf({ products }: { readonly products: readonly Product[] }) {
  const findId = useId();
  const stock = useStock();
  const [find, setFind] = useState("");
  const [opened, setOpened] = useState<Product | "new">();
  const { taken, faults, take } = useCsvImport();
  const wanted = find.trim().toLowerCase();
  const found = products.filter(({ name, kind }) =>
    `${name} ${PRODUCT_KIND_NAMES[kind]}`.toLowerCase().includes(wanted),
  );
  const give = () => saveFile("scutch-shelf.csv", productsToCsv(products), "text/csv");
  return (
    <div className="px-4 pt-4 pb-10 sm:px-7 sm:pt-6">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="font-bold text-2xl">Shelf</h1>
          <p className="text-soft">Figures from the labels. Follow the label and safety data sheet first.</p>
        </div>
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setOpened("new")}>
            <Plus aria-hidden size={18} /> Add product
          </Button>
          <Button onClick={give}>
            <Download aria-hidden size={18} /> Export CSV
          </Button>
          <FileButton accept=".csv,text/csv" onFile={(file) => void take(file)}>
            <Upload aria-hidden size={18} /> Import CSV
          </FileButton>
        </div>
      </div>
      <ImportOutcome {...{ taken, faults }} />
      <div className="mt-4 max-w-md">
        <label htmlFor={findId} className="sr-only">
          Find product
        </label>
        <input
          id={findId}
          type="search"
          className={inputLook(false)}
          placeholder="Search by name or kind"
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
      </div>
      {found.length === 0 && (
        <Empty title={products.length === 0 ? "No products yet." : "No match on the shelf."}>
          Add a product from its label: name, strengths and dwell time.
        </Empty>
      )}
      <ul className="mt-3 border-rule border-b">
        {found.map((product) => (
          <ProductRow
            key={product.id}
            product={product}
            left={stock && leftOf(stock, product.id)}
            onOpen={() => setOpened(product)}
          />
        ))}
      </ul>
      {opened && (
        <ProductDialog
          {...(opened === "new" ? {} : { product: opened })}
          onClose={() => setOpened(undefined)}
        />
      )}
    </div>
  );
}

interface RowProps {
  readonly product: Product;
  /** m³ or kg; undefined: its stock isn't counted. */
  readonly left: number | undefined;
  readonly onOpen: () => void;
}

function ProductRow({ product, left, onOpen }: RowProps) {
  const units = useUnits();
  const powder = product.scoop !== undefined;
  const amount = (value: number) => doseOf(value, powder, units);
  return (
    <li className="relative grid gap-x-6 gap-y-1 border-rule border-t py-3 sm:grid-cols-[1.4fr_1fr_1fr_8rem]">
      <div>
        <button
          type="button"
          onClick={onOpen}
          className="text-left font-bold text-lg before:absolute before:inset-0"
        >
          {product.name}
        </button>
        <p className="text-sm text-soft">
          {PRODUCT_KIND_NAMES[product.kind]}
          {product.phInUse !== undefined && ` · pH ${product.phInUse} as used`}
        </p>
      </div>
      <p className="font-mono text-sm">
        {[product.light, product.ordinary, product.heavy].map(labelSpelling).join(" · ")}
      </p>
      <p className="text-sm">
        Dwell {formatDuration(product.dwellLeast)} to {formatDuration(product.dwellMost)}
        <span className="block text-soft">
          {protectionFor(product)
            .map(({ gear }) => GEAR_NAMES[gear])
            .join(", ")}
        </span>
      </p>
      <p className="sm:text-right">
        {left === undefined ? (
          <span className="text-sm text-soft">stock not counted</span>
        ) : (
          <>
            <span className="font-bold font-mono">{amount(left)}</span>
            <span className="text-sm text-soft"> left</span>
          </>
        )}
      </p>
    </li>
  );
}
