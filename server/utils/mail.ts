import nodemailer, { type Transporter } from 'nodemailer'

const { ZIP_LEDGER_SMTP: server = '', ZIP_LEDGER_MAIL_FROM: from = '' } = process.env
/** Links are handed over; where a mail server is named, and by whom it sends, they can be mailed too. */
export const hasMail = server !== '' && from !== ''

let transport: Transporter | undefined
const LONGEST = 10_000

function openTransport(): Transporter {
  const { hostname: host, port, protocol, username, password } = new URL(server)
  const secure = protocol === 'smtps:'
  return nodemailer.createTransport({
    host,
    port: Number(port) || (secure ? 465 : 587),
    secure,
    ...(username && { auth: { user: decodeURIComponent(username), pass: decodeURIComponent(password) } }),
    connectionTimeout: LONGEST,
    socketTimeout: LONGEST,
  })
}

/** Mails a link. Refuses where no mail server is named, or where it does not take the letter. */
export async function mailLink(to: string, lab: string, link: string): Promise<void> {
  if (!hasMail) throw refusal(409, 'No mail server is named here: hand the link over.')
  transport ??= openTransport()
  try {
    await transport.sendMail({
      from,
      to,
      subject: `A link to ${lab}`,
      text: `Somebody of ${lab} made this link for you. It is good once, for a week, and for whoever has it:\n\n${link}\n\nIf you expected none, do nothing.\n`,
    })
  } catch {
    throw refusal(502, 'The mail server did not take it. Make the link without an address, and hand it over.')
  }
}
