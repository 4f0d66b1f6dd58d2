import { PASSWORD_LENGTHS } from "@scutch/contract";
import { PasswordInput } from "../../ui/TextInput.tsx";

interface Props {
  readonly label: string;
  readonly name: string;
  readonly hint?: string;
  readonly autoFocus?: boolean;
}

/** A password that is chosen here, within the limits the server has. */
export const NewPasswordField = (props: Props) => (
  <PasswordInput
    autoComplete="new-password"
    minLength={PASSWORD_LENGTHS[0]}
    maxLength={PASSWORD_LENGTHS[1]}
    required
    {...props}
  />
);
