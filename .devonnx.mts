import { Tensor, InferenceSession } from 'onnxruntime-node';
import { loadModels, BACKBONE_FEATURES } from './reader/src/models';
const m = await loadModels();
const time = async (name:string, f:()=>Promise<unknown>, n=8)=>{ await f(); const c=process.cpuUsage(); const t=performance.now(); for(let i=0;i<n;i++) await f(); const u=process.cpuUsage(c); console.log(name.padEnd(28), ((performance.now()-t)/n).toFixed(0).padStart(5), ((u.user+u.system)/1000/n).toFixed(0).padStart(5)); };
const t = (h:number,w:number)=>new Tensor('float32', new Float32Array(3*h*w).map(()=>Math.random()), [1,3,h,w]);
for (const [h,w] of [[608,800],[544,960],[448,736],[480,640],[384,640],[960,1280]]) { const x=t(h,w); await time(`det ${w}x${h}`, ()=>m.detection.run({[m.detection.inputNames[0]!]:x})); }
for (const w of [160,320,640]) { const x=t(48,w); await time(`backbone ${w}`, ()=>m.backbone.run({[m.backbone.inputNames[0]!]:x},[...BACKBONE_FEATURES]));
 const f=await m.backbone.run({[m.backbone.inputNames[0]!]:x},[...BACKBONE_FEATURES]); await time(`head ${w}`, ()=>m.latinHead.run(f)); }
{ const x=t(48,192); await time('direction', ()=>m.direction.run({[m.direction.inputNames[0]!]:x})); }
