import type { DemoPerson } from './people';

/** How a card is set: its HTML fills a box of `width` × `height` CSS pixels. */
export interface Layout {
  width: number;
  height: number;
  html: (person: DemoPerson) => string;
}

const escape = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
const name = (p: DemoPerson): string =>
  escape(
    [p.prefix, p.givenName, p.middleName, p.familyName].filter(Boolean).join(' ') + (p.suffix ? `, ${p.suffix}` : ''),
  );
const phones = (p: DemoPerson): string[] =>
  p.phones.map((t) => escape(`${t.label} ${t.printed}${t.ext ? ` ext. ${t.ext}` : ''}`));
const town = (p: DemoPerson): string =>
  escape(p.country === 'GB' ? `${p.locality} ${p.postalCode}` : `${p.postalCode} ${p.locality}`);
const lines = (...texts: (string | undefined)[]): string =>
  texts
    .filter(Boolean)
    .map((t) => `<div>${t}</div>`)
    .join('');
const online = (p: DemoPerson): string[] => [...p.emails, ...(p.website ? [p.website] : [])].map(escape);

const WIDE = { width: 850, height: 500 };

export const layouts = {
  ledger: {
    ...WIDE,
    html: (
      p,
    ) => `<div style="padding:56px 60px;font:23px/34px 'Work Sans';color:#22303a;background:#fdfcf8;height:100%;display:flex;flex-direction:column;justify-content:space-between">
      <div style="font:600 27px/34px 'Work Sans';letter-spacing:.01em;color:#245a57">${escape(p.company)}</div>
      <div><div style="font:600 46px/56px 'Cormorant Garamond'">${name(p)}</div>${lines(escape(p.title), p.department && escape(p.department))}</div>
      <div style="display:flex;justify-content:space-between;font-size:21px;line-height:31px"><div>${lines(...phones(p), ...online(p))}</div><div>${lines(escape(p.street), town(p), p.extra && escape(p.extra))}</div></div></div>`,
  },
  band: {
    ...WIDE,
    html: (
      p,
    ) => `<div style="height:100%;background:#fff;display:flex;font:22px/33px 'Barlow Semi Condensed';color:#2a2a2a">
      <div style="width:54px;background:#7b2d26"></div><div style="padding:48px 52px;flex:1;display:flex;flex-direction:column;justify-content:space-between">
      <div><div style="font:600 45px/54px 'Barlow Semi Condensed'">${name(p)}</div><div style="color:#7b2d26;font-size:25px">${escape(p.title)}</div>${p.department ? `<div>${escape(p.department)}</div>` : ''}</div>
      <div><div style="font-weight:600;font-size:25px">${escape(p.company)}</div>${lines(escape(`${p.street}, `) + town(p), phones(p).join('&ensp;·&ensp;'), ...online(p))}</div></div></div>`,
  },
  centred: {
    ...WIDE,
    html: (
      p,
    ) => `<div style="height:100%;background:#f6efe1;color:#33261c;text-align:center;padding:48px 40px;font:22px/32px Lora;display:flex;flex-direction:column;justify-content:space-between">
      <div style="font:600 32px/42px Lora;letter-spacing:.04em">${escape(p.company)}</div>
      <div><div style="font:500 38px/48px Lora">${name(p)}</div><div style="font-style:italic">${escape(p.title)}</div></div>
      <div>${lines(phones(p).join('&emsp;'), ...online(p), escape(`${p.street}, `) + town(p))}</div></div>`,
  },
  night: {
    ...WIDE,
    html: (
      p,
    ) => `<div style="height:100%;background:#1d2b36;color:#eef0ea;padding:54px 58px;font:22px/33px 'Work Sans';display:flex;flex-direction:column;justify-content:space-between">
      <div style="font:600 34px/42px 'Work Sans';color:#f3d9a4">${escape(p.company)}${p.slogan ? `<div style="font:400 20px/30px 'Work Sans';color:#c9d2d4">${escape(p.slogan)}</div>` : ''}</div>
      <div style="display:flex;justify-content:space-between;align-items:end"><div><div style="font:500 40px/50px 'Work Sans'">${name(p)}</div>${lines(escape(p.title))}</div></div>
      <div style="font-size:21px;line-height:31px">${lines(phones(p).join('&emsp;'), online(p).join('&emsp;'), escape(`${p.street}, `) + town(p))}</div></div>`,
  },
  capitals: {
    ...WIDE,
    html: (
      p,
    ) => `<div style="height:100%;background:#fbfbfb;color:#1b1b1b;padding:60px;font:21px/32px 'Work Sans';display:grid;grid-template-columns:1fr 1fr;align-content:space-between">
      <div style="grid-column:1/3;font:600 25px/32px 'Work Sans';letter-spacing:.08em">${escape(p.company.toUpperCase())}</div>
      <div style="grid-column:1/3"><div style="font:600 39px/48px 'Barlow Semi Condensed';letter-spacing:.03em">${escape([p.givenName, p.middleName, p.familyName].filter(Boolean).join(' ').toUpperCase())}${p.suffix ? `, ${escape(p.suffix)}` : ''}</div>${lines(escape(p.title), p.department && escape(p.department))}</div>
      <div>${lines(...phones(p))}${lines(escape(p.street), town(p))}</div><div style="text-align:right">${lines(...online(p), p.extra && escape(p.extra))}</div></div>`,
  },
  upright: {
    width: 500,
    height: 850,
    html: (
      p,
    ) => `<div style="height:100%;background:#e9f0ea;color:#23362c;padding:56px 44px;font:21px/32px Lora;display:flex;flex-direction:column;justify-content:space-between">
      <div style="font:600 31px/40px Lora">${escape(p.company)}</div>
      <div><div style="font:600 38px/46px Lora">${name(p)}</div><div style="font-style:italic">${escape(p.title)}</div></div>
      <div>${lines(...phones(p), ...online(p))}<div style="height:16px"></div>${lines(escape(p.street), town(p))}</div></div>`,
  },
  back: {
    ...WIDE,
    html: (
      p,
    ) => `<div style="height:100%;background:#245a57;color:#fdfcf8;padding:60px;display:flex;flex-direction:column;justify-content:center;align-items:center;gap:14px;text-align:center">
      <div style="font:600 58px/68px 'Cormorant Garamond'">${escape(p.company)}</div><div style="font:24px/34px 'Work Sans'">${escape(p.slogan ?? 'Loading dock: Gate 2, open 5 to 11')}</div></div>`,
  },
} as const satisfies Record<string, Layout>;

export type LayoutName = keyof typeof layouts;
