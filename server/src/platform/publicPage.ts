import { createHash } from 'node:crypto';
import type { Response } from 'express';

const STYLE = `
  :root { color-scheme: light dark; --paper: #f7f4ec; --sheet: #fffdf8; --ink: #20242b; --soft: #5b6069; --rule: #d8d2c4; --brick: #9c3a22; }
  @media (prefers-color-scheme: dark) { :root { --paper: #1d2126; --sheet: #262b31; --ink: #ece8de; --soft: #a9adb3; --rule: #3c4249; --brick: #e39a84; } }
  * { box-sizing: border-box; }
  body { background: var(--paper); color: var(--ink); font: 18px/1.5 Georgia, serif; max-width: 34rem; margin: 0 auto; padding: 8vh 1.25rem 4rem; overflow-wrap: anywhere; }
  h1 { font-size: 1.75rem; font-weight: 500; line-height: 1.2; margin: 0 0 .5rem; }
  h2 { font-size: 1.25rem; font-weight: 500; margin: 2.5rem 0 .5rem; }
  p { margin: 0 0 .75rem; }
  a { color: inherit; text-underline-offset: .25em; text-decoration-color: var(--rule); }
  a:hover { text-decoration-color: currentColor; }
  :focus-visible { outline: 2px solid var(--ink); outline-offset: 2px; }
  .soft, label, legend, .ways dt { color: var(--soft); font: 15px/1.4 system-ui, sans-serif; }
  .card { background: var(--sheet); border: 1px solid var(--rule); border-radius: 4px; padding: 1.5rem; display: flex; gap: 1.25rem; align-items: flex-start; }
  .card > div { flex: 1; min-width: 0; }
  .card img { width: 5.5rem; height: 5.5rem; object-fit: cover; border-radius: 4px; flex: none; }
  .card p { margin: 0; }
  .said { margin-top: 1.25rem; }
  .beside { display: flex; gap: .75rem; }
  fieldset { border: 0; margin: 1rem 0 1.5rem; padding: 0; }
  legend { padding: 0; margin-bottom: .75rem; }
  .ways { margin: 1rem 0; }
  .ways div { display: flex; gap: 1rem; align-items: center; border-bottom: 1px solid var(--rule); min-height: 48px; }
  .ways dt { width: 4.5rem; flex: none; }
  .ways dd { margin: 0; min-width: 0; }
  .ways a { display: inline-block; padding: 10px 0; font: 17px/1.4 system-ui, sans-serif; }
  button, .act { display: inline-block; font: 17px/1.4 system-ui, sans-serif; background: var(--ink); color: var(--paper); border: 0; border-radius: 4px; padding: .7rem 1.4rem; min-height: 48px; cursor: pointer; text-decoration: none; }
  .plain { background: none; color: var(--ink); border: 1px solid var(--rule); }
  .field { margin: 0 0 1rem; }
  .field .soft { margin: .4rem 0 0; }
  .field label { display: block; margin-bottom: .25rem; }
  input:not([type=checkbox], [type=radio]), textarea, select { font: 17px/1.4 system-ui, sans-serif; color: inherit; background: var(--sheet); border: 1px solid var(--rule); border-radius: 4px; padding: .6rem .75rem; width: 100%; min-height: 48px; }
  [aria-invalid=true] { border-color: var(--brick) !important; }
  .complaint { color: var(--brick); font: 15px/1.4 system-ui, sans-serif; margin: .25rem 0 0; }
  .tick { display: flex; gap: .75rem; align-items: flex-start; margin: 0 0 1.25rem; }
  .tick input { width: 24px; height: 24px; flex: none; margin: 0; accent-color: var(--ink); }
  .tick label { color: var(--ink); }
  .away { position: absolute; left: -100vw; width: 1px; height: 1px; overflow: hidden; }
  .times { display: flex; flex-wrap: wrap; gap: .5rem; margin: 0 0 1rem; }
  .times a { border: 1px solid var(--rule); border-radius: 4px; padding: .6rem .9rem; min-height: 48px; min-width: 5rem; text-align: center; text-decoration: none; font: 17px/1.5 system-ui, sans-serif; font-variant-numeric: tabular-nums; background: var(--sheet); }
  form.bare { display: inline; }
`;
const STYLE_HASH = createHash('sha256').update(STYLE).digest('base64');

export const escapeHtml = (text: string): string => text.replace(/[&<>"']/g, (one) => `&#${one.charCodeAt(0)};`);

/** Words with `{places}`, each filled in with text that nobody can make a tag of. */
export const filledHtml = (words: string, values: Readonly<Record<string, string>>): string =>
  escapeHtml(words).replace(/\{(\w+)\}/g, (whole, name: string) =>
    name in values ? escapeHtml(values[name]!) : whole,
  );

interface PublicPage {
  status?: number;
  /** ISO 639-1. */
  language: string;
  title: string;
  /** Inside `main`, as HTML: whatever others wrote in it is escaped by whoever makes it. */
  body: string;
  /** The one script that it may run. */
  script?: string;
}

/** A page for people who have no account here: no script but one that is named, nothing from anywhere else, in nobody's index and nobody's frame. */
export function sendPublicPage(response: Response, { status = 200, language, title, body, script }: PublicPage): void {
  response
    .status(status)
    .set('Cache-Control', 'no-store')
    .set('Vary', 'Accept-Language')
    .set('Referrer-Policy', 'no-referrer')
    .set(
      'Content-Security-Policy',
      `default-src 'none'; ${script ? `script-src 'sha256-${createHash('sha256').update(script).digest('base64')}'; ` : ''}style-src 'sha256-${STYLE_HASH}'; img-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'`,
    )
    .type('html')
    .send(
      `<!doctype html><html lang="${escapeHtml(language)}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex"><title>${escapeHtml(title)}</title><style>${STYLE}</style>${script ? `<script>${script}</script>` : ''}</head><body><main>${body}</main></body></html>`,
    );
}
