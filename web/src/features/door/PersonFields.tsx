import { PASSWORD_LENGTHS } from "@scutch/contract";
import type { NewPerson } from "../../device/account.ts";
import { NewPasswordField } from "../../shared/account/NewPasswordField.tsx";
import { TextInput } from "../../ui/TextInput.tsx";

/** Fields of a new person. */
export function PersonFields() {
  return (
    <>
      <TextInput
        label="Your name, as the log shows it"
        name="name"
        autoComplete="name"
        maxLength={60}
        required
      />
      <TextInput label="Email" name="email" type="email" autoComplete="username" maxLength={190} required />
      <NewPasswordField
        label="Password"
        name="password"
        hint={`${PASSWORD_LENGTHS[0]} characters or more. A few words are easier to type than symbols.`}
      />
    </>
  );
}

export const personIn = (field: (name: string) => string): NewPerson => ({
  name: field("name"),
  email: field("email"),
  password: field("password"),
});
