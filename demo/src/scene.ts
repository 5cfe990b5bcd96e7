import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { layouts } from './layouts';
import { people, type DemoPerson } from './people';
import type { Shot, Table } from './shots';

const require = createRequire(import.meta.url);

const FONTS = [
  ['Work Sans', 'work-sans', [400, 500, 600]],
  ['Cormorant Garamond', 'cormorant-garamond', [600]],
  ['Lora', 'lora', [400, 500, 600]],
  ['Barlow Semi Condensed', 'barlow-semi-condensed', [400, 600]],
] as const;

const fontFaces = (): string =>
  FONTS.flatMap(([family, slug, weights]) =>
    weights.map((weight) => {
      const file = require.resolve(`@fontsource/${slug}/files/${slug}-latin-${weight}-normal.woff2`);
      const data = readFileSync(file).toString('base64');
      return `@font-face{font-family:'${family}';font-weight:${weight};src:url(data:font/woff2;base64,${data})}`;
    }),
  ).join('');

/** Ground colour, grain frequency (along, across) and how strongly it shows. */
const TABLES: Record<Table, { colour: string; frequency: string; strength: number }> = {
  oak: { colour: '#a67c4e', frequency: '0.004 0.09', strength: 0.34 },
  walnut: { colour: '#5a3d2b', frequency: '0.005 0.11', strength: 0.4 },
  slate: { colour: '#4d565d', frequency: '0.03 0.04', strength: 0.3 },
  linen: { colour: '#8f9aa5', frequency: '0.35 0.35', strength: 0.22 },
  steel: { colour: '#78818a', frequency: '0.002 0.3', strength: 0.16 },
};

const LIGHTS: Record<NonNullable<Shot['light']> | 'day', string> = {
  day: 'linear-gradient(115deg, rgb(255 255 255 / .16), rgb(0 0 0 / .16))',
  lamp: 'radial-gradient(circle at 22% 12%, rgb(255 214 150 / .42), rgb(40 20 0 / .38) 78%)',
  dusk: 'linear-gradient(150deg, rgb(20 30 60 / .5), rgb(20 24 40 / .62))',
  glare:
    'radial-gradient(ellipse 300px 190px at 70% 24%, rgb(255 255 255 / .62), rgb(255 255 255 / 0)), linear-gradient(115deg, rgb(255 255 255 / .1), rgb(0 0 0 / .2))',
  blur: 'linear-gradient(115deg, rgb(255 255 255 / .1), rgb(0 0 0 / .3))',
};

export const personNamed = (id: string): DemoPerson => {
  const found = people.find((p) => p.id === id);
  if (!found) throw new Error(`There is nobody called ${id} in the demo.`);
  return found;
};

/** A page that looks like the photograph; every card has marks in its corners, `data-corner="card.corner"`. */
export function scenePage(shot: Shot): string {
  const table = TABLES[shot.table];
  const cards = shot.cards.map((card, i) => {
    const layout = layouts[card.layout];
    const scale = card.size / layout.width;
    const [rx, ry] = card.tilt ?? [0, 0];
    const marks = ['0 0', '100% 0', '100% 100%', '0 100%'].map((place, k) => {
      const [left, top] = place.split(' ');
      return `<i data-corner="${i}.${k}" style="position:absolute;left:${left};top:${top};width:0;height:0"></i>`;
    });
    return `<div style="position:absolute;left:${card.x}px;top:${card.y}px;width:0;height:0;perspective:2600px">
      <div style="position:absolute;left:${-layout.width / 2}px;top:${-layout.height / 2}px;width:${layout.width}px;height:${layout.height}px;transform:rotateX(${rx}deg) rotateY(${ry}deg) rotate(${card.turn}deg) scale(${scale});box-shadow:0 2px 3px rgb(0 0 0 / .35),6px 14px 26px rgb(0 0 0 / .38);border-radius:2px">
      ${layout.html(personNamed(card.person))}${marks.join('')}</div></div>`;
  });
  const soften = shot.light === 'blur' ? 'filter:blur(1.4px)' : '';
  return `<!doctype html><style>${fontFaces()}*{box-sizing:border-box}body{margin:0;width:${shot.width}px;height:${shot.height}px;overflow:hidden}svg,.light{position:absolute;inset:0;width:100%;height:100%}</style>
    <div style="position:absolute;inset:0;background:${table.colour};${soften}">
    <svg><filter id="grain"><feTurbulence type="fractalNoise" baseFrequency="${table.frequency}" numOctaves="4" seed="${shot.id.length}"/><feColorMatrix values="0 0 0 0 0  0 0 0 0 0  0 0 0 0 0  .9 0 0 0 -.15"/></filter><rect width="100%" height="100%" filter="url(#grain)" opacity="${table.strength}"/></svg>
    ${cards.join('')}
    <div class="light" style="background:${LIGHTS[shot.light ?? 'day']}"></div>
    <svg><filter id="noise"><feTurbulence type="fractalNoise" baseFrequency="0.8" numOctaves="2" seed="7"/><feColorMatrix type="saturate" values="0"/></filter><rect width="100%" height="100%" filter="url(#noise)" opacity=".06"/></svg></div>`;
}
