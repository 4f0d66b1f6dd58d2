import type { Role } from "@scutch/contract";

/** What a role is called, and what it may do in a line. */
export const ROLE_WORDS: Readonly<Record<Role, { readonly name: string; readonly may: string }>> = {
  owner: { name: "Owner", may: "Everything, people and export included." },
  technician: { name: "Technician", may: "Plan, run and log jobs, quote, change van and customers." },
  trainee: { name: "Trainee", may: "Look at jobs and practise. Nothing is logged." },
  bookkeeper: { name: "Bookkeeper", may: "Prices, payments, customers and hand-over. No log." },
};
