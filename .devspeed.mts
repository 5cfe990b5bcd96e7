import { readFileSync, readdirSync } from 'node:fs';
import { loadModels } from './reader/src/models';
import { decodePhoto } from './reader/src/decodePhoto';
import { findCards, findCardsIn } from './reader/src/findCards';
import { uprightCard } from './reader/src/uprightCard';
import { readLines } from './reader/src/readLines';
import { readCodes } from './reader/src/readCodes';
import { measureQuality } from './reader/src/measureQuality';
import { encodeJpeg } from './reader/src/encodeJpeg';
import { detectText } from './reader/src/detectText';
import { renameCorners } from './core/src/capture/index';
const truth = JSON.parse(readFileSync('../shared/cards/truth.json','utf8'));
const tier = process.argv[2] ?? 'phone', n = Number(process.argv[3] ?? 10);
const ids = truth.filter((t:any)=>t.tier===tier).slice(0,n).map((t:any)=>t.photo ?? t.id);
const models = await loadModels();
const sum: Record<string, number[]> = {};
let t0: NodeJS.CpuUsage; let w0=0;
const start=()=>{t0=process.cpuUsage(); w0=performance.now();};
const stop=(k:string)=>{const c=process.cpuUsage(t0); (sum[k]??=[]).push((c.user+c.system)/1000); (sum[k+' wall']??=[]).push(performance.now()-w0); start();};
let lines=0;
for (const [r,id] of [ids[0],...ids].entries()) {
  if (r===1) for (const k in sum) sum[k]=[];
  const files = readdirSync('../shared/cards/photos'); const f = files.find(f=>f.startsWith(String(id).replace(/\.\w+$/,'')))!;
  start();
  const photo = await decodePhoto(readFileSync('../shared/cards/photos/'+f)); stop('decode');
  const quads = await findCards(models, photo); stop('find');
  for (const q of quads) {
    const u = await uprightCard(models, photo, q); stop('upright');
    const l = await readLines(models, u.picture, u.lines); stop('lines'); lines += l.length;
    await readCodes(u.picture); stop('codes');
    measureQuality(u.picture, l.map(x=>x.quad), {pixels: photo, quad: renameCorners(q,u.turns)}); stop('quality');
    await encodeJpeg(u.picture); stop('jpeg');
  }
}
for (const k in sum) console.log(k.padEnd(16), Math.round(sum[k].reduce((a,b)=>a+b,0)/ids.length));
console.log('lines', lines/(ids.length+1));
