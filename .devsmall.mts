import { readFileSync, readdirSync } from 'node:fs';
import { loadModels } from './reader/src/models';
import { decodePhoto } from './reader/src/decodePhoto';
import { detectText } from './reader/src/detectText';
import { resizePixels } from './reader/src/resizePixels';
import { distance } from './core/src/capture/index';
const truth = JSON.parse(readFileSync('../shared/cards/truth.json','utf8'));
const models = await loadModels();
const files = readdirSync('../shared/cards/photos');
for (const t of truth) { const id=String(t.photo??t.id).replace(/\.\w+$/,'');
 if (t.tier==='phone' && Number(id.slice(1))%2) continue;
 const f=files.find(f=>f.startsWith(id))!; const p=await decodePhoto(readFileSync('../shared/cards/photos/'+f));
 const s=Math.min(1,1280/Math.max(p.width,p.height)); const w=await resizePixels(p,Math.round(p.width*s),Math.round(p.height*s));
 const out=[];
 for (const L of [640,800]) { const q=(await detectText(models,w,L)).map(b=>b.quad); const h=q.map(q=>Math.min(distance(q[0],q[3]),distance(q[0],q[1]))).sort((a,b)=>a-b); out.push(L,q.length,(h[h.length>>1]??0).toFixed(1)); }
 console.log(t.tier,id,t.cards.length,p.width,p.height,...out);
}
