import type { Instruments } from "@scutch/core/plan";
import { createContext, useContext } from "react";

/** The instruments that can be read by a tap, where any are there: simulated ones in practice. */
export const InstrumentsContext = createContext<Instruments | undefined>(undefined);
export const useInstruments = (): Instruments | undefined => useContext(InstrumentsContext);
