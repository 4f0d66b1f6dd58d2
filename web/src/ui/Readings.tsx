import { Button } from "./Button.tsx";

interface Props<T> {
  /** What something typed may mean, the likelier first. */
  readonly readings: readonly T[];
  readonly show: (reading: T) => string;
  readonly onTake: (reading: T) => void;
}

/** What could mean two things, to tap the one that is meant. */
export function Readings<T>({ readings, show, onTake }: Props<T>) {
  if (readings.length === 0) return null;
  return (
    <div className="mt-1 flex flex-wrap gap-2">
      {readings.map((each) => (
        <Button key={show(each)} onClick={() => onTake(each)}>
          {show(each)}
        </Button>
      ))}
    </div>
  );
}
