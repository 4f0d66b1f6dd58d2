import { type Signals, signalSet } from "../../../state/settingsSlice.ts";
import { useAppDispatch, useAppSelector } from "../../../state/store.ts";
import { CheckBox } from "../../../ui/ChoiceField.tsx";
import { canSpeak, canStayAwake, canVibrate } from "./useSignals.ts";

const CHOICES: readonly { readonly key: keyof Signals; readonly label: string; readonly there: boolean }[] = [
  { key: "sound", label: "Sound when dwell time is up", there: true },
  { key: "vibrate", label: "Vibrate too", there: canVibrate },
  { key: "awake", label: "Keep screen awake", there: canStayAwake },
  { key: "speak", label: "Read out the next step", there: canSpeak },
];

/** What this device does besides showing; what its browser hasn't got isn't offered. */
export function SignalChoices() {
  const signals = useAppSelector((state) => state.settings.signals);
  const dispatch = useAppDispatch();
  return (
    <details className="border-rule border-t pt-1">
      <summary className="min-h-12 cursor-pointer py-3 text-soft">Sound, voice and screen</summary>
      {CHOICES.filter(({ there }) => there).map(({ key, label }) => (
        <CheckBox
          key={key}
          label={label}
          checked={signals[key]}
          onChange={(on) => dispatch(signalSet({ [key]: on }))}
        />
      ))}
    </details>
  );
}
