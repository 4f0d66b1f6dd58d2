import { Section } from "./Section.tsx";
import { useAnswer } from "./useAnswer.ts";
import { useMoments } from "./useMoments.ts";

/** Mails of a server that has no mail server: they are read here instead. */
export function Mailbox() {
  const { value } = useAnswer("readMailbox");
  const { moment } = useMoments();
  if (!value || value.mails.length === 0) return null;
  return (
    <Section title="Mailbox">
      <p className="mt-1 text-sm text-soft">No mail server is set, so mails stay here. Nothing was sent.</p>
      <ul className="mt-2">
        {value.mails.map((mail) => (
          <li key={`${mail.at} ${mail.to}`} className="border-rule border-t py-2">
            <p className="font-semibold">{mail.subject}</p>
            <p className="text-sm text-soft">
              to {mail.to}, {moment(mail.at)}
            </p>
            <p className="mt-1 whitespace-pre-line break-words text-sm">{mail.text}</p>
          </li>
        ))}
      </ul>
    </Section>
  );
}
