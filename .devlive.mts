import { readFileSync, readdirSync } from 'node:fs';
import sharp from 'sharp';
import { liveOutline } from './core/src/capture/liveOutline';
import { intersectionOverUnion } from './core/src/capture/quad';
const truth = JSON.parse(readFileSync('../shared/cards/truth.json','utf8'));
const files = readdirSync('../shared/cards/photos');
const by: Record<string, number[]> = {}; let ms:number[]=[];
for (const t of truth) { if (t.cards.length!==1) continue; const id=String(t.photo??t.id).replace(/\.\w+$/,''); const f=files.find(f=>f.startsWith(id))!;
 const img=sharp('../shared/cards/photos/'+f).autoOrient(); const meta=await sharp('../shared/cards/photos/'+f).metadata();
 const {data,info}=await img.resize(320,320,{fit:'inside'}).ensureAlpha().raw().toBuffer({resolveWithObject:true});
 const swap=(meta.orientation??1)>4; const W=swap?meta.height!:meta.width!; const s=W/info.width;
 const t0=performance.now(); const o=liveOutline({data:new Uint8ClampedArray(data),width:info.width,height:info.height}); ms.push(performance.now()-t0);
 const q=t.cards[0].quad.map((p:any)=>[p[0]/s,p[1]/s]);
 (by[t.tier]??=[]).push(o?intersectionOverUnion(o.quad,q):0);
}
for (const k in by) { const a=by[k]!; console.log(k,a.length,'found',a.filter(x=>x>0.8).length,'wrong',a.filter(x=>x>0&&x<=0.8).length,'none',a.filter(x=>x===0).length); }
ms.sort((a,b)=>a-b); console.log('ms median',ms[ms.length>>1],'95%',ms[Math.floor(ms.length*.95)]);
