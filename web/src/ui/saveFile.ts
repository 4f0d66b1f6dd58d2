/** Long enough for any browser to have begun, ms. */
const KEPT = 10_000;

/** Hands a file to the person: what their browser calls a download. */
export function saveFile(name: string, content: Blob | string, type = "application/json"): void {
  const blob = typeof content === "string" ? new Blob([content], { type: `${type};charset=utf-8` }) : content;
  const link = document.createElement("a");
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), KEPT);
}

/** A name as part of a file's: letters and figures, parted by hyphens. */
export const fileName = (...parts: readonly string[]) =>
  parts
    .join(" ")
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}]+/gu, "-")
    .replaceAll(/^-+|-+$/g, "")
    .slice(0, 80) || "scutch";
