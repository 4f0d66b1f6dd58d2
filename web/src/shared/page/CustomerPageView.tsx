import type { Block, CustomerPage } from "./customerPage.ts";

/** A page for the customer as it is read on the screen and printed. */
export function CustomerPageView({ page }: { readonly page: CustomerPage }) {
  return (
    <article
      data-print="page"
      className="mx-auto max-w-2xl print:max-w-none print:text-[11px] print:text-black"
    >
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 border-rule border-b pb-2">
        <strong>{page.from}</strong>
        {page.contact && <span className="text-soft">{page.contact}</span>}
      </header>
      <h2 className="mt-4 font-bold text-2xl leading-tight [overflow-wrap:anywhere]">{page.title}</h2>
      <p className="mt-1 text-soft">{page.facts.join(" · ")}</p>
      {page.blocks.map((block, i) => (
        // A page is never reordered in place.
        <BlockView key={String(i)} block={block} />
      ))}
    </article>
  );
}

function BlockView({ block }: { readonly block: Block }) {
  switch (block.kind) {
    case "heading":
      return (
        <div className="mt-5 border-rule border-b pb-1">
          <h3 className="font-bold text-lg print:text-sm">{block.text}</h3>
          {block.note && <p className="text-soft">{block.note}</p>}
        </div>
      );
    case "figure":
      return (
        <div className="mt-3">
          <p className="text-soft">{block.label}</p>
          <p className="font-bold font-mono text-5xl [overflow-wrap:anywhere] print:text-3xl">
            {block.figure}
          </p>
          {block.note && <p className="mt-1 text-soft">{block.note}</p>}
        </div>
      );
    case "rows":
      return (
        <dl className="mt-1">
          {block.rows.map(({ label, value, weight }, i) => (
            <div key={`${label} ${String(i)}`} className="flex justify-between gap-4 py-1 print:py-0">
              <dt className={weight === "strong" ? "font-semibold" : "min-w-0 text-soft"}>{label}</dt>
              <dd
                className={`text-right ${weight === "strong" ? "font-semibold font-mono" : weight === "soft" ? "text-soft" : "font-mono"}`}
              >
                {value}
              </dd>
            </div>
          ))}
        </dl>
      );
    case "text":
      return <p className="mt-2">{block.text}</p>;
    case "list":
      return (
        <ul className="mt-1 list-disc pl-5">
          {block.items.map((item) => (
            <li key={item} className="py-0.5">
              {item}
            </li>
          ))}
        </ul>
      );
    case "photos":
      return (
        <div className="mt-2 grid gap-3">
          {block.pairs.map((pair, i) => (
            <figure key={`${pair.caption} ${String(i)}`} className="break-inside-avoid">
              <div className="grid grid-cols-2 gap-2">
                <Photo url={pair.before} name="before" />
                <Photo url={pair.after} name="after" />
              </div>
              <figcaption className="text-sm text-soft">{pair.caption}</figcaption>
            </figure>
          ))}
        </div>
      );
    case "signature":
      return (
        <div className="mt-4 break-inside-avoid border border-soft border-dashed p-2">
          {block.signature && (
            <svg
              role="img"
              aria-label="Signature"
              viewBox={`0 0 ${block.signature.width} ${block.signature.height}`}
              className="h-24 max-w-full print:h-14"
            >
              <path
                d={block.signature.path}
                fill="none"
                stroke="currentColor"
                strokeWidth={Math.max(2, block.signature.width / 150)}
                strokeLinecap="round"
                strokeLinejoin="round"
              />
            </svg>
          )}
          <p className="text-sm text-soft">{block.caption}</p>
        </div>
      );
  }
}

function Photo({ url, name }: { readonly url: string | undefined; readonly name: string }) {
  return url === undefined ? (
    <div className="grid aspect-4/3 place-items-center border border-rule text-soft">no photo {name}</div>
  ) : (
    <div className="relative">
      <img src={url} alt={name} className="aspect-4/3 w-full object-cover" />
      <span className="absolute bottom-1 left-1 bg-ground px-1 font-semibold text-sm">{name}</span>
    </div>
  );
}
