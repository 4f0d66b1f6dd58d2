/** What is looked at with the customer before a job is handed over (common practice). */
export const WALK_ROUND = ["lights", "risers", "behind-doors", "edges", "keys", "signs", "windows"] as const;
export type WalkRoundItem = (typeof WALK_ROUND)[number];

/** What a second look finds: all is well, soil wicked up, an odour or a spot came back. */
export const SECOND_LOOK_RESULTS = ["fine", "wick-back", "odour", "spot-back"] as const;
export type SecondLookResult = (typeof SECOND_LOOK_RESULTS)[number];
