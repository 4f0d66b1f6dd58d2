/** What to do, in order. */
export function Steps({ steps }: { readonly steps: readonly string[] }) {
  return (
    <ol className="list-inside list-decimal">
      {steps.map((step) => (
        <li key={step}>{step}</li>
      ))}
    </ol>
  );
}
