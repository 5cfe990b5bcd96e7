import sanitizeHtml from 'sanitize-html';

/** HTML that came in, with nothing in it that runs, asks for anything outside, or looks like a part of the page. */
export const cleanHtml = (html: string): string =>
  sanitizeHtml(html, {
    allowedTags: ['p', 'br', 'div', 'span', 'b', 'strong', 'i', 'em', 'u', 'ul', 'ol', 'li', 'blockquote', 'a', 'h1', 'h2', 'h3', 'table', 'thead', 'tbody', 'tr', 'td', 'th', 'pre', 'hr'], // prettier-ignore
    allowedAttributes: { a: ['href'] },
    allowedSchemes: ['https', 'http', 'mailto', 'tel'],
    transformTags: { a: sanitizeHtml.simpleTransform('a', { rel: 'noopener noreferrer nofollow', target: '_blank' }) },
    disallowedTagsMode: 'discard',
  });
