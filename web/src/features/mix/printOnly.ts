/** Prints one part of the page alone: the styles show only what is marked with its name while `data-printing` stands. */
export function printOnly(part: "label"): void {
  const root = document.documentElement;
  root.dataset.printing = part;
  const done = () => {
    delete root.dataset.printing;
    removeEventListener("afterprint", done);
  };
  addEventListener("afterprint", done);
  print();
}
