import type { PrintedCard } from '@dossier/core/fixtures/printed-cards';
import type { Random } from '../register/random';
import { FAMILY, typefaceRules, typefaces, type Typeface } from './typefaces';

type Role = 'company' | 'name' | 'title' | 'contact' | 'rest';
interface Line {
  role: Role;
  text: string;
}

/** How a card looks: drawn once for each. */
interface Style {
  paper: string;
  ink: string;
  accent: string;
  capitals: boolean;
  italic: boolean;
  /** Size of plain lines against that of the card, which is made to fit. */
  scale: number;
}

const PAPERS = ['#ffffff', '#fdfbf5', '#f3efe4', '#eef3f1', '#f4f1f6', '#e8ecef'];
const INKS = ['#1b1b1b', '#22303a', '#33261c', '#2d2d3a'];
const ACCENTS = ['#245a57', '#7b2d26', '#2b4b80', '#5b3f7a', '#8a5a17', '#1f5d33', '#444444'];
const GROUNDS = ['#a67c4e', '#5a3d2b', '#4d565d', '#8f9aa5', '#78818a', '#31363b', '#b9b0a0', '#5f6f63'];
const GRAINS = ['0.004 0.09', '0.03 0.04', '0.35 0.35', '0.002 0.3', '0.08 0.006'];
const LIGHTS = [
  'linear-gradient(115deg, rgb(255 255 255 / .16), rgb(0 0 0 / .16))',
  'linear-gradient(290deg, rgb(255 240 210 / .2), rgb(0 0 0 / .3))',
  'radial-gradient(circle at 22% 12%, rgb(255 214 150 / .34), rgb(40 20 0 / .32) 78%)',
  'linear-gradient(150deg, rgb(20 30 60 / .3), rgb(20 24 40 / .42))',
];
/** Outlines of our own for what a line is, in a box of 24. */
const ICONS = {
  phone: 'M7 2.5h10v19H7zM10.5 18.5h3',
  email: 'M2.5 5.5h19v13h-19zM2.5 6.5l9.500 7 9.500-7',
  place:
    'M12 21.500c-5-6-7-8.500-7-12a7 7 0 0 1 14 0c0 3.500-2 6-7 12zM12 12a2.500 2.500 0 1 0 0-5 2.500 2.500 0 0 0 0 5z',
};

const escape = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** What each printed line is, as far as a printer has to know. */
function linesOf({ lines, expected }: PrintedCard): Line[] {
  const within = (text: string, whole: string | undefined) =>
    whole?.toLowerCase().includes(text.toLowerCase()) ?? false;
  const holds = (text: string, part: string | undefined) => !!part && within(part, text);
  const places = [...(expected.street?.split(', ') ?? []), expected.postcode];
  return lines.map((text) => {
    const role = (): Role => {
      const isPlace = text === expected.locality || places.some((place) => holds(text, place));
      if (isPlace && !text.includes('@')) return 'rest';
      if (text.includes('@') || /(?:\d[\s./()-]*){6}/.test(text)) return 'contact';
      if (holds(text, expected.name) || within(text, expected.name)) return 'name';
      if (holds(text, expected.title) || within(text, expected.title)) return 'title';
      return holds(text, expected.company) || within(text, expected.company) ? 'company' : 'rest';
    };
    return { role: role(), text };
  });
}

const SCALES: Record<Role, number> = { company: 1.3, name: 1.75, title: 1.05, contact: 1, rest: 1 };

function lineHtml({ role, text }: Line, { accent, capitals, italic, scale }: Style): string {
  const stands = role === 'name' || role === 'company';
  const shown = capitals && stands && text === text.normalize() ? text.toUpperCase() : text;
  const style = [
    `font-size:${(SCALES[role] * scale * (capitals && stands ? 0.88 : 1)).toFixed(2)}em`,
    stands ? 'font-weight:600' : '',
    role === 'company' ? `color:${accent}` : '',
    capitals && stands ? 'letter-spacing:.05em' : '',
    italic && role === 'title' ? 'font-style:italic' : '',
    text.includes('@') ? 'white-space:nowrap' : '',
  ];
  return `<div style="${style.filter(Boolean).join(';')}">${escape(shown)}</div>`;
}

interface Card {
  width: number;
  height: number;
  html: string;
}
type Layout = (lines: readonly Line[], style: Style, random: Random) => Card;

const WIDE = { width: 850, height: 500 };
const block = (lines: readonly Line[], style: Style) => lines.map((line) => lineHtml(line, style)).join('');
const of = (lines: readonly Line[], ...roles: Role[]) => lines.filter(({ role }) => roles.includes(role));
const body = (style: Style, css: string, html: string) =>
  `<div data-card style="position:absolute;inset:0;overflow:hidden;background:${style.paper};color:${style.ink};font:400 27px/1.42 ${FAMILY};${css}">${html}</div>`;
const icon = (name: keyof typeof ICONS, style: Style) =>
  `<svg viewBox="0 0 24 24" style="width:1.1em;height:1.1em;flex:none;margin-right:.6em" fill="none" stroke="${style.accent}" stroke-width="2"><path d="${ICONS[name]}"/></svg>`;
/** A label before a number or an address and the rest of the line; a register's word belongs to its number. */
const LABELLED =
  /^(?!(?:atu|be|p\.?\s?iva|c\.?\s?f|kvk|cvr|nip|nif|cif|cnpj|vat|abn|mva|org|fn|hrb|siret|btw|tva|po?stfach)(?!\p{L}))(\p{L}[\p{L}.]*\s?[.:]?)\s+(?=[+(\d]|\S+@)(.*)$/iu;

const LAYOUTS: Record<string, Layout> = {
  asPrinted: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'padding:40px 56px;display:flex;flex-direction:column;justify-content:center',
      block(lines, style),
    ),
  }),
  centred: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'padding:40px;text-align:center;display:flex;flex-direction:column;justify-content:center',
      block(lines, style),
    ),
  }),
  columns: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'padding:46px 50px;display:flex;flex-direction:column;justify-content:space-between',
      `<div>${block(of(lines, 'company'), style)}</div><div>${block(of(lines, 'name', 'title'), style)}</div>
       <div style="display:flex;justify-content:space-between;gap:24px"><div>${block(of(lines, 'contact'), style)}</div><div style="text-align:right">${block(of(lines, 'rest'), style)}</div></div>`,
    ),
  }),
  sideBand: (lines, style, random) => ({
    ...WIDE,
    html: body(
      style,
      `display:flex;flex-direction:${random.chance(0.5) ? 'row' : 'row-reverse'}`,
      `<div style="width:250px;background:${style.accent};color:#fff;padding:30px;display:flex;flex-direction:column;justify-content:center">${block(of(lines, 'company'), { ...style, accent: '#fff', scale: 0.85 })}</div>
       <div style="flex:1;padding:30px 36px;display:flex;flex-direction:column;justify-content:center">${block(of(lines, 'name', 'title', 'contact', 'rest'), style)}</div>`,
    ),
  }),
  turnedBand: (lines, style, random) => ({
    ...WIDE,
    html: body(
      style,
      'padding:36px 50px 36px 130px;display:flex;flex-direction:column;justify-content:center',
      `<div style="position:absolute;left:0;top:0;bottom:0;width:84px;background:${style.accent}"></div>
       <div style="position:absolute;left:42px;top:250px;width:0;height:0"><div style="position:absolute;width:460px;left:-230px;top:-30px;height:60px;text-align:center;line-height:60px;white-space:nowrap;transform:rotate(${random.chance(0.5) ? 90 : -90}deg)">${of(
         lines,
         'company',
       )
         .slice(0, 1)
         .map((line) => lineHtml(line, { ...style, accent: '#fff', scale: 0.8 }))
         .join('')}</div></div>
       ${block([...of(lines, 'company').slice(1), ...of(lines, 'name', 'title', 'contact', 'rest')], style)}`,
    ),
  }),
  portrait: (lines, style, random) => ({
    width: 500,
    height: 850,
    html: body(
      style,
      `padding:40px 32px;display:flex;flex-direction:column;justify-content:space-between;text-align:${random.chance(0.5) ? 'center' : 'left'}`,
      `<div>${block(of(lines, 'company'), { ...style, scale: 0.86 })}</div><div>${block(of(lines, 'name', 'title'), { ...style, scale: 0.86 })}</div><div>${block(of(lines, 'contact', 'rest'), { ...style, scale: 0.8 })}</div>`,
    ),
  }),
  halves: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'display:flex;flex-direction:column',
      `<div style="background:${style.accent};color:#fff;padding:28px 50px;flex:1;display:flex;flex-direction:column;justify-content:center">${block(of(lines, 'company', 'name', 'title'), { ...style, accent: '#fff' })}</div>
       <div style="padding:22px 50px">${block(of(lines, 'contact', 'rest'), style)}</div>`,
    ),
  }),
  labels: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'padding:36px 50px;display:flex;flex-direction:column;justify-content:space-between',
      `<div>${block(of(lines, 'company', 'name', 'title'), style)}</div><div>${block(of(lines, 'rest'), style)}</div>
       <div style="display:grid;grid-template-columns:max-content 1fr;column-gap:22px">${of(lines, 'contact')
         .map(({ text }) => {
           const [, label = '', value = text] = LABELLED.exec(text) ?? [];
           return `<div style="color:${style.accent}">${escape(label)}</div><div>${escape(value)}</div>`;
         })
         .join('')}</div>`,
    ),
  }),
  footer: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'display:flex;flex-direction:column;justify-content:space-between',
      `<div style="padding:44px 50px 0">${block(of(lines, 'company'), style)}</div><div style="padding:0 50px">${block(of(lines, 'name', 'title', 'rest'), style)}</div>
       <div style="background:${style.accent};color:#fff;padding:14px 50px;font-size:.86em">${of(lines, 'contact')
         .map(({ text }) => `<span style="white-space:nowrap">${escape(text)}</span>`)
         .join(' &nbsp;|&nbsp; ')}</div>`,
    ),
  }),
  icons: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'padding:36px 50px;display:flex;flex-direction:column;justify-content:space-between',
      `<div>${block(of(lines, 'name', 'title'), style)}</div><div>${block(of(lines, 'company'), style)}</div><div>${of(
        lines,
        'contact',
        'rest',
      )
        .map(({ role, text }) => {
          const kind = text.includes('@') ? 'email' : role === 'contact' ? 'phone' : 'place';
          // A fax keeps its word.
          const isWhole = role === 'rest' || /fax|téléc/iu.test(text);
          const value = isWhole ? text : (LABELLED.exec(text)?.[2] ?? text);
          return `<div style="display:flex;align-items:center">${icon(kind, style)}<span>${escape(value)}</span></div>`;
        })
        .join('')}</div>`,
    ),
  }),
  dark: (lines, style) => {
    const night = { ...style, paper: style.accent, ink: '#f4f2ea', accent: '#f3d9a4' };
    return {
      ...WIDE,
      html: body(
        night,
        'padding:40px 56px;display:flex;flex-direction:column;justify-content:center',
        block(lines, night),
      ),
    };
  },
  framed: (lines, style) => ({
    ...WIDE,
    html: body(
      style,
      'padding:34px;text-align:center',
      `<div style="height:100%;border:2px solid ${style.accent};box-sizing:border-box;padding:12px 26px;display:flex;flex-direction:column;justify-content:center">${block(lines, style)}</div>`,
    ),
  }),
};

export interface DrawnPage {
  layout: string;
  typeface: string;
  html: string;
  /** The card's size on its own page before it was laid down, in CSS pixels. */
  card: Pick<Card, 'width' | 'height'>;
}

/** Names of the layouts that cards are set in. */
export const layoutNames = Object.keys(LAYOUTS);

/** Of what a page is drawn: all layouts and typefaces unless some are named. */
export interface DrawnFrom {
  layouts?: readonly string[];
  typefaces?: readonly Typeface[];
  /** From further away, less sharp, with a lamp's reflection on the card. */
  harsh?: boolean;
}

const GLARE_SIZES = [240, 420];

/** A lamp's reflection somewhere on the card. */
function glare(random: Random): string {
  const [width, height] = GLARE_SIZES.map((size) => Math.round(size * (0.5 + random.next()))) as [number, number];
  const place = `${Math.round(25 + random.next() * 50)}% ${Math.round(25 + random.next() * 50)}%`;
  return `radial-gradient(ellipse ${width}px ${height}px at ${place}, rgb(255 255 255 / ${(0.25 + random.next() * 0.5).toFixed(2)}), rgb(255 255 255 / 0)),`;
}

/** A page of 1600 × 1200 CSS pixels that looks like a photograph of the card; its corners are marked `data-corner`. */
export function cardPage(card: PrintedCard, random: Random, from: DrawnFrom = {}): DrawnPage {
  const layout = random.pick(from.layouts ?? layoutNames);
  const typeface = random.pick(from.typefaces ?? typefaces);
  const style: Style = {
    paper: random.pick(PAPERS),
    ink: random.pick(INKS),
    accent: random.pick(ACCENTS),
    capitals: random.chance(0.25),
    italic: random.chance(0.2),
    scale: 1,
  };
  const { width, height, html } = LAYOUTS[layout]!(linesOf(card), style, random);
  const near = (width > height ? 1000 + random.next() * 250 : 600 + random.next() * 60) / width;
  const turn = (random.next() - 0.5) * 28;
  const [rx, ry] = [(random.next() - 0.5) * 22, (random.next() - 0.5) * 22];
  const corners = ['left:0;top:0', 'left:100%;top:0', 'left:100%;top:100%', 'left:0;top:100%']
    .map((place) => `<i data-corner style="position:absolute;${place};width:0;height:0"></i>`)
    .join('');
  const [x, y] = [800 + (random.next() - 0.5) * 80, 600 + (random.next() - 0.5) * 60];
  const soft = random.chance(0.3) ? random.next() * 1.1 : 0;
  const [scale, blur, lamp] = from.harsh
    ? [near * (0.55 + random.next() * 0.4), soft + random.next() * 0.7, random.chance(0.3) ? glare(random) : '']
    : [near, soft, ''];
  return {
    layout,
    typeface,
    card: { width, height },
    html: `<!doctype html><style>${typefaceRules(typeface)}*{box-sizing:border-box}body{margin:0;width:1600px;height:1200px;overflow:hidden}.all{position:absolute;inset:0;width:100%;height:100%}</style>
    <div class="all" style="background:${random.pick(GROUNDS)};filter:blur(${blur.toFixed(2)}px)">
    <svg class="all"><filter id="grain"><feTurbulence type="fractalNoise" baseFrequency="${random.pick(GRAINS)}" numOctaves="4" seed="${random.below(1000)}"/><feColorMatrix values="0 0 0 0 0  0 0 0 0 0  0 0 0 0 0  .9 0 0 0 -.15"/></filter><rect width="100%" height="100%" filter="url(#grain)" opacity="${(0.1 + random.next() * 0.3).toFixed(2)}"/></svg>
    <div style="position:absolute;left:${x}px;top:${y}px;width:0;height:0;perspective:2600px"><div style="position:absolute;left:${-width / 2}px;top:${-height / 2}px;width:${width}px;height:${height}px;transform:rotateX(${rx}deg) rotateY(${ry}deg) rotate(${turn}deg) scale(${scale});box-shadow:0 2px 3px rgb(0 0 0 / .35),6px 14px 26px rgb(0 0 0 / .38)">${html}${corners}</div></div>
    <div class="all" style="background:${lamp}${random.pick(LIGHTS)}"></div>
    <svg class="all"><filter id="noise"><feTurbulence type="fractalNoise" baseFrequency="0.8" numOctaves="2" seed="${random.below(1000)}"/><feColorMatrix type="saturate" values="0"/></filter><rect width="100%" height="100%" filter="url(#noise)" opacity=".07"/></svg></div>`,
  };
}
