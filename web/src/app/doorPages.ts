/** Addresses of the way in, open to those who aren’t signed in: with an invite, with a link to set a password, as a new crew. */
export const DOOR_PAGES = ["/sign-in", "/join", "/new-password", "/start"] as const;
