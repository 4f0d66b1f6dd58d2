import { config } from "zod";

// Before any schema is made: compiling a reader for each takes twice as long as reading what a visit reads, and is no faster after it.
config({ jitless: true });
