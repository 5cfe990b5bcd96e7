import MarkdownIt from 'markdown-it';

/** Paragraphs, lines, lists and addresses of pages; nothing else that stands in a text becomes anything, since names and firms stand in it too. */
const markdown = new MarkdownIt('zero', { html: false, linkify: true, breaks: true }).enable([
  'list',
  'newline',
  'linkify',
]);

/** A plain text as simple HTML for mail. */
export const htmlOf = (text: string): string =>
  `<div style="font-family: Georgia, serif; font-size: 16px; line-height: 1.5">\n${markdown.render(text)}</div>`;
