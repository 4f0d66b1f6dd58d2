import { PASSWORD_LENGTHS } from "@scutch/contract";
import type { NewPerson } from "../../device/account.ts";
import { PasswordInput, TextInput } from "../../ui/TextInput.tsx";

/** Fields of somebody new. */
export function PersonFields() {
  return (
    <>
      <TextInput
        label="Your name, as it stands in the log"
        name="name"
        autoComplete="name"
        maxLength={60}
        required
      />
      <TextInput label="Email" name="email" type="email" autoComplete="username" maxLength={190} required />
      <PasswordInput
        label="Password"
        name="password"
        autoComplete="new-password"
        minLength={PASSWORD_LENGTHS[0]}
        maxLength={PASSWORD_LENGTHS[1]}
        required
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
