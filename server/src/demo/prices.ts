import type { CrewSettings } from "@scutch/contract";

/** What the demo's crew charges and pays: invented. */
export const SETTINGS: CrewSettings = {
  currency: "GBP",
  prices: {
    "extra-rinse": 0.9,
    odour: 6,
    stain: 18,
    spot: 6,
    stairs: 3,
    edges: 1.2,
    matting: 5,
    vacuuming: 0.8,
    furniture: 9,
    protector: 2.2,
    waiting: 24,
  },
  priceBook: {
    methods: {
      extraction: 4.5,
      "self-contained": 4,
      "low-moisture": 3.6,
      "dry-compound": 3.8,
      spinner: 5.5,
    },
    minimum: 75,
    travel: 12,
    tax: { rate: 0.2, included: true },
    wage: 16,
    travelCost: 8,
    padCost: 2.5,
    leastEarned: 35,
  },
};
