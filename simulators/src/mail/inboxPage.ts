import type { KeptMail } from './mailbox';

const escape = (text: string): string => text.replace(/[&<>"']/g, (one) => `&#${one.charCodeAt(0)};`);

const STYLE = `
  :root { color-scheme: light dark; --paper: #f7f4ec; --ink: #20242b; --soft: #6a6f78; --rule: #d8d3c6; }
  @media (prefers-color-scheme: dark) { :root { --paper: #1d2126; --ink: #ece8de; --soft: #a3a8b0; --rule: #3a4048; } }
  * { box-sizing: border-box; }
  body { background: var(--paper); color: var(--ink); font: 16px/1.5 Georgia, serif; max-width: 44rem; margin: 0 auto; padding: 1.5rem; }
  a { color: inherit; } small, .soft { color: var(--soft); } hr { border: 0; border-top: 1px solid var(--rule); }
  .row { display: block; padding: .75rem 0; border-top: 1px solid var(--rule); text-decoration: none; }
  pre { white-space: pre-wrap; overflow-wrap: anywhere; font: inherit; }
  textarea { width: 100%; min-height: 6rem; font: inherit; background: transparent; color: inherit; border: 1px solid var(--rule); border-radius: 4px; padding: .5rem; }
  button { font: inherit; min-height: 44px; padding: 0 1rem; border: 1px solid var(--ink); border-radius: 4px; background: transparent; color: inherit; cursor: pointer; }
  button.first { background: var(--ink); color: var(--paper); }
  form { margin: .75rem 0; } .acts { display: flex; flex-wrap: wrap; gap: .5rem; } .acts form { margin: 0; }`;

const frame = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escape(title)}</title><style>${STYLE}</style><main>${body}</main></html>`;

const time = (at: string): string => at.slice(0, 16).replace('T', ' ');

/** What came to everybody outside, the latest first. */
export const listPage = (mails: readonly KeptMail[]): string =>
  frame(
    'Letterbox of the outside world',
    `<h1>Letterbox of the outside world</h1><p class="soft">Everything that is sent on this machine arrives here and goes nowhere else. Open a mail to answer for whoever got it.</p>
    ${
      [...mails]
        .reverse()
        .map(
          (mail) =>
            `<a class="row" href="/mails/${mail.id}"><strong>${escape(mail.to)}</strong> <small>${time(mail.at)}</small><br>${escape(mail.subject)}${mail.done.length > 0 ? `<br><small>${escape(mail.done.join(', '))}</small>` : ''}</a>`,
        )
        .join('') || '<p>Nothing has been sent yet.</p>'
    }`,
  );

export const mailPage = (mail: KeptMail): string =>
  frame(
    mail.subject,
    `<p><a href="/">All mail</a></p><h1>${escape(mail.subject)}</h1>
    <p class="soft">From ${escape(mail.from)}<br>To ${escape(mail.to)}<br>${time(mail.at)}</p><hr><pre>${escape(mail.text)}</pre>
    ${mail.attachments.map(({ name, bytes }) => `<p class="soft">With it: ${escape(name)}, ${bytes} bytes</p>`).join('')}<hr>
    ${mail.done.length > 0 ? `<p>Done: ${escape(mail.done.join(', '))}.</p>` : ''}
    <form method="post" action="/mails/${mail.id}/answer"><label>Answer as ${escape(mail.to)}<textarea name="text">Thank you, that suits me.</textarea></label><p><button class="first">Send the answer</button></p></form>
    <div class="acts">${['out-of-office', 'bounce', 'withdraw'].map((act) => `<form method="post" action="/mails/${mail.id}/${act}"><button>${WORDS[act]}</button></form>`).join('')}</div>`,
  );

const WORDS: Record<string, string> = {
  'out-of-office': 'Say that they are away',
  bounce: 'Send it back',
  withdraw: 'Want no more',
};
