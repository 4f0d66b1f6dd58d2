import { customType } from "drizzle-orm/mysql-core";

/** MariaDB's own 16-byte UUID type (10.7+); the driver hands it over as text. */
export const uuid = customType<{ data: string; driverData: string }>({ dataType: () => "uuid" });

/** What a JSON text says; the text itself where it isn't JSON, so that one odd row doesn't keep the others from being read. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** JSON on MariaDB is LONGTEXT with CHECK(JSON_VALID); the driver gives it as text or parsed. */
export const json = <T>() =>
  customType<{ data: T; driverData: string }>({
    dataType: () => "json",
    toDriver: (value) => JSON.stringify(value),
    fromDriver: (value) => (typeof value === "string" ? parsed(value) : value) as T,
  });
