import { useEffect, useState } from "react";
import { WORK_AFTER } from "./workerClient.ts";

/** Asks the worker once changes pause; undefined while the answer to this very question isn’t there. A question must stay the same object while it is the same. */
export function useAsked<Q, A>(
  question: Q | undefined,
  ask: (question: Q, then: (answer: A) => void) => () => void,
): A | undefined {
  const [answer, setAnswer] = useState<{ readonly question: Q; readonly answer: A }>();
  useEffect(() => {
    if (question === undefined) return;
    let letGo: (() => void) | undefined;
    const timer = setTimeout(() => {
      letGo = ask(question, (found) => setAnswer({ question, answer: found }));
    }, WORK_AFTER);
    return () => {
      clearTimeout(timer);
      letGo?.();
    };
  }, [question, ask]);
  return answer?.question === question ? answer?.answer : undefined;
}
