import type { BatchChoice, Job } from "@scutch/contract";

/** A job with one of its mixes changed. */
export const withBatch = (job: Job, id: BatchChoice["id"], change: Partial<BatchChoice>): Job => ({
  ...job,
  batches: job.batches.map((batch) => (batch.id === id ? { ...batch, ...change } : batch)),
});
