/** A link out of Dossier. */
export const Outward = ({ href, children }: { href: string; children: string }) => (
  <a
    href={href}
    target="_blank"
    rel="noreferrer"
    style={{ color: 'rgb(var(--ink))', font: '400 16px/22px "Instrument Sans", sans-serif', textDecoration: 'underline', textUnderlineOffset: 4, padding: '11px 0' }} // prettier-ignore
  >
    {children}
  </a>
);
