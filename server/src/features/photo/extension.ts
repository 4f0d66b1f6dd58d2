/** Every picture is kept as JPEG, whatever it came in as. */
export const PICTURES = ".jpg";
