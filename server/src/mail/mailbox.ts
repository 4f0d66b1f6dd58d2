import { createTransport } from "nodemailer";
import type { Mail, Mailer } from "./mailer.ts";

/** Mails the mailbox keeps: the last ones. */
const MOST = 50;

/** A mail as it would have gone out. */
export interface KeptMail extends Mail {
  readonly at: string;
}

/** Stands in for a mail server: makes each mail as it would be sent and keeps it, to be read in the demo. Nothing leaves the machine. */
export class Mailbox implements Mailer {
  private readonly kept: KeptMail[] = [];
  private readonly transport = createTransport({ jsonTransport: true });

  readonly send = async (mail: Mail): Promise<void> => {
    const { to, subject, text } = mail;
    await this.transport.sendMail({ to, subject, text, from: "scutch@localhost" });
    this.kept.unshift({ ...mail, at: new Date().toISOString() });
    this.kept.length = Math.min(this.kept.length, MOST);
  };

  /** What one person may read: what was sent for their crew, and what was sent to themselves. The newest in front. */
  mailsFor(crewId: string, email: string | undefined): readonly KeptMail[] {
    return this.kept.filter((mail) =>
      mail.crewId === undefined ? mail.to === email : mail.crewId === crewId,
    );
  }
}
