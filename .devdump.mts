import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { readPhoto } from './reader/src/readPhoto';
const files = readdirSync('../shared/cards/photos');
for (const id of process.argv.slice(2)) { const r = await readPhoto(readFileSync('../shared/cards/photos/' + files.find(f => f.startsWith(id))!));
 for (const c of r.cards) for (const l of c.reading.lines) { if (!/\d\s?[-–]\s?[\dSG]|[°º]/i.test(l.text)) continue; console.log(id, l.text, l.characters.map(c => c.text + c.probability.toFixed(2) + (c.alternatives.length && c.probability < .95 ? '(' + c.alternatives.map(a => a.text + a.probability.toFixed(2)).join(',') + ')' : '')).join(' ')); } }
